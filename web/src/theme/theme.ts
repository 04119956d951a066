/** Day, night, or as the system says; kept on the device. */
import { keepItem, keptItem } from '../data/device';
export type ThemeChoice = 'day' | 'night' | 'system';
const KEY = 'jeitinho.theme';
const dark = window.matchMedia('(prefers-color-scheme: dark)');

export function themeChoice(): ThemeChoice {
  const kept = keptItem(KEY);
  return kept === 'day' || kept === 'night' ? kept : 'system';
}

export function applyTheme(choice: ThemeChoice = themeChoice()): void {
  const night = choice === 'night' || (choice === 'system' && dark.matches);
  document.documentElement.dataset.theme = night ? 'night' : 'day';
}

export function chooseTheme(choice: ThemeChoice): void {
  keepItem(KEY, choice);
  applyTheme(choice);
}

dark.addEventListener('change', () => applyTheme());
