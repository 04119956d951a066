/** Spoken prompts with the browser's own voices. Off until somebody wants them; never the only way. */
import { useSyncExternalStore } from 'react';
import { keepItem } from './device';

export interface SpeechSettings {
  readonly on: boolean;
  /** Name of a voice; empty for the device's own choice. */
  readonly voice: string;
  /** 1 is the voice's own speed. */
  readonly rate: number;
}

const KEY = 'jeitinho.speech';
const OFF: SpeechSettings = { on: false, voice: '', rate: 1 };
const listeners = new Set<() => void>();
let settings: SpeechSettings | undefined;
/** Read when first asked for, so that the words can be used where there is no storage. */
const current = () => (settings ??= read());

function read(): SpeechSettings {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<SpeechSettings>;
    const rate = typeof kept.rate === 'number' ? Math.min(2, Math.max(0.5, kept.rate)) : 1;
    return { on: kept.on === true, voice: typeof kept.voice === 'string' ? kept.voice : '', rate };
  } catch {
    return OFF;
  }
}

export function setSpeech(next: Partial<SpeechSettings>): void {
  settings = { ...current(), ...next };
  keepItem(KEY, JSON.stringify(settings));
  if (!settings.on) globalThis.speechSynthesis?.cancel();
  for (const listener of listeners) listener();
}

export const useSpeech = (): SpeechSettings =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);

export const canSpeak = (): boolean => 'speechSynthesis' in globalThis;

/**
 * Figures and short forms as they are said: `1.95 kΩ` is “1.95 kilohms”, `CN5` is “C N 5”.
 */
export function asSpoken(text: string): string {
  const prefixes: Record<string, string> = {
    k: 'kilo',
    M: 'mega',
    m: 'milli',
    µ: 'micro',
    n: 'nano',
  };
  const units: Record<string, string> = {
    Ω: 'ohms',
    V: 'volts',
    A: 'amps',
    F: 'farads',
    Hz: 'hertz',
  };
  return text
    .replace(/[\u2009\u00a0]/g, ' ')
    .replace(/\u2212(?=\d)/g, 'minus ')
    .replace(
      /(\d) ([kMmµn]?)(Ω|V|A|F|Hz)(?![A-Za-z])/g,
      (_, digit: string, prefix: string, unit: string) =>
        `${digit} ${prefix ? prefixes[prefix] : ''}${units[unit]}`,
    )
    .replace(/\bOL\b/g, 'O L')
    .replace(
      /\b([A-Z]{2,4})(\d+)\b/g,
      (_, letters: string, n: string) => `${[...letters].join(' ')} ${n}`,
    );
}

/**
 * Says it; nothing while speech is off.
 * @param after - Behind what is being said, not instead of it.
 */
export function say(text: string, after = false): void {
  if (current().on) speak(text, after);
}

/** Says it even while speech is off: for trying a voice. */
export function speak(text: string, after = false): void {
  if (!canSpeak() || text.trim() === '') return;
  const words = new SpeechSynthesisUtterance(asSpoken(text));
  const voice = speechSynthesis.getVoices().find(({ name }) => name === current().voice);
  if (voice) words.voice = voice;
  words.rate = current().rate;
  if (!after) speechSynthesis.cancel();
  speechSynthesis.speak(words);
}
