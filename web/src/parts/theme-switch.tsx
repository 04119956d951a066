import { useState } from 'react';
import { chooseTheme, themeChoice, type ThemeChoice } from '../theme/theme';

const NEXT: Record<ThemeChoice, ThemeChoice> = { system: 'day', day: 'night', night: 'system' };
const WORDS: Record<ThemeChoice, string> = {
  system: '◐ by system',
  day: '○ day',
  night: '● night',
};

/** Day, night, as the system: one press each. */
export function ThemeSwitch() {
  const [choice, setChoice] = useState(themeChoice);
  return (
    <button
      type="button"
      className="min-h-11 min-w-11 cursor-pointer px-2 text-[14px] text-soft"
      aria-label={`Light: ${WORDS[choice].slice(2)}. Change`}
      onClick={() => {
        chooseTheme(NEXT[choice]);
        setChoice(NEXT[choice]);
      }}
    >
      {WORDS[choice]}
    </button>
  );
}
