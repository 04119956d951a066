/** The end of a clock, loudly: a sound, a shake, a notification where somebody allowed one. */

let context: AudioContext | undefined;
/** Whether a press has let it sound once; from then on it may begin by itself. */
let mayStart = false;
let letGo: ReturnType<typeof setTimeout> | undefined;
/** When it is let go of, by the steady clock, ms. */
let restsAt = 0;

/** So long after the last tone the loudspeaker is let go: one that stays open costs the battery of a whole day. */
const QUIET_MS = 2_000;

/** A sound may begin only after a press; called on any, it is ready when a clock ends. */
export function readySound(): void {
  context ??= new AudioContext();
  if (mayStart && context.state !== 'interrupted') return;
  void context.resume().then(() => {
    mayStart = true;
    rest();
  });
}

/** Beeps that carry in a plant room: a square wave in the middle of hearing. */
export function beep(times = 1, hertz = 1900): void {
  if (!context || !mayStart) return;
  const speaker = context;
  const asked = performance.now();
  // Not let go of while it opens.
  clearTimeout(letGo);
  void speaker.resume().then(() => {
    // After a call, say, that had the loudspeaker: what it was for is over, and a clock rings again by itself.
    const late = performance.now() - asked > LATE_MS;
    if (!late) tones(speaker, times, hertz);
    rest(late ? 0 : times * EACH_S * 1000);
  });
}

const LATE_MS = 1_000;
/** From one tone to the next, s. */
const EACH_S = 0.32;
/** Before the first one: a loudspeaker that has just been opened swallows its beginning. */
const LEAD_S = 0.05;

function tones(speaker: AudioContext, times: number, hertz: number): void {
  for (let i = 0; i < times; i += 1) {
    const from = speaker.currentTime + LEAD_S + i * EACH_S;
    const tone = speaker.createOscillator();
    const loud = speaker.createGain();
    tone.type = 'square';
    tone.frequency.value = hertz;
    loud.gain.setValueAtTime(0.22, from);
    loud.gain.setValueAtTime(0, from + 0.18);
    tone.connect(loud).connect(speaker.destination);
    tone.start(from);
    tone.stop(from + 0.2);
  }
}

/** @param sounding so much longer it still sounds, ms; a longer one that was begun before is waited for. */
function rest(sounding = 0): void {
  const now = performance.now();
  restsAt = Math.max(restsAt, now + sounding + QUIET_MS);
  clearTimeout(letGo);
  letGo = setTimeout(() => void context?.suspend(), restsAt - now);
}

export function shake(): void {
  if ('vibrate' in navigator) navigator.vibrate([400, 150, 400, 150, 400]);
}

export const mayNotify = (): NotificationPermission | 'absent' =>
  'Notification' in window ? Notification.permission : 'absent';

export async function askToNotify(): Promise<void> {
  if (mayNotify() === 'default') await Notification.requestPermission();
}

export async function notify(title: string, body: string, tag: string): Promise<void> {
  if (mayNotify() !== 'granted') return;
  const options = { body, tag, icon: '/icon.svg', requireInteraction: true };
  const worker = await navigator.serviceWorker?.getRegistration();
  // A locked phone shows only what the worker shows.
  if (worker) await worker.showNotification(title, options);
  else new Notification(title, options);
}
