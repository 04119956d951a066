/** Spoken prompts: on or off, whose voice, how fast. */
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { canSpeak, setSpeech, speak, useSpeech } from '../../data/speech';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';

const SAMPLE = 'Red on CN5 pin 3, black on pin 1. 1.95 kΩ: in.';

export function SpeechButton() {
  const { on } = useSpeech();
  if (!canSpeak()) return null;
  return (
    <DialogRoot>
      <Dialog.Trigger
        aria-label={`Spoken prompts: ${on ? 'on' : 'off'}`}
        className={`min-h-11 min-w-11 cursor-pointer px-1 text-[15px] whitespace-nowrap ${on ? 'font-bold text-jade' : 'text-soft'}`}
      >
        {on ? 'voice on' : 'voice'}
      </Dialog.Trigger>
      <DialogFrame title="Spoken prompts">
        <SpeechForm />
      </DialogFrame>
    </DialogRoot>
  );
}

/** Browsers fetch their voices late. */
function useVoices(): readonly SpeechSynthesisVoice[] {
  const [voices, setVoices] = useState(() => speechSynthesis.getVoices());
  useEffect(() => {
    const load = () => setVoices(speechSynthesis.getVoices());
    speechSynthesis.addEventListener('voiceschanged', load);
    return () => speechSynthesis.removeEventListener('voiceschanged', load);
  }, []);
  return voices;
}

function SpeechForm() {
  const { on, voice, rate } = useSpeech();
  const voices = useVoices();
  return (
    <div className="mt-2 flex flex-col gap-4">
      <p className="m-0 text-[15px] text-soft">
        Says where the leads go, what was kept and what it means, so that both eyes stay on the
        probes. Everything spoken is also written.
      </p>
      <label className="flex min-h-11 items-center gap-3 text-[18px]">
        <input
          type="checkbox"
          checked={on}
          onChange={(event) => setSpeech({ on: event.target.checked })}
          className="h-6 w-6 accent-jade"
        />
        Speak
      </label>
      <label className="text-[14px] text-soft">
        Voice
        <select
          value={voice}
          onChange={(event) => setSpeech({ voice: event.target.value })}
          className="block min-h-12 w-full border border-soft bg-paper px-2 text-[16px] text-ink"
        >
          <option value="">the device’s own choice</option>
          {voices.map(({ name, lang }) => (
            <option key={`${name}${lang}`} value={name}>
              {name} ({lang})
            </option>
          ))}
        </select>
      </label>
      {voices.length === 0 && (
        <p className="m-0 text-[14px] text-soft">
          This browser offers no voice of its own yet; some fetch them only when asked to speak.
        </p>
      )}
      <label className="text-[14px] text-soft">
        Speed <span className="figure text-ink">{rate.toFixed(1)}</span>
        <input
          type="range"
          min="0.5"
          max="2"
          step="0.1"
          value={rate}
          onChange={(event) => setSpeech({ rate: Number(event.target.value) })}
          className="block min-h-11 w-full accent-jade"
        />
      </label>
      <div className="flex gap-2">
        <Button kind="go" onClick={() => speak(SAMPLE)}>
          Try it
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Close</Button>
        </Dialog.Close>
      </div>
    </div>
  );
}
