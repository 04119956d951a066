/** The end of a clock, loudly: a sound, a shake, a notification where somebody allowed one. */

let context: AudioContext | undefined;

/** A sound may begin only after a press; called on any, it is ready when a clock ends. */
export function readySound(): void {
  context ??= new AudioContext();
  if (context.state === 'suspended') void context.resume();
}

/** Beeps that carry in a plant room: a square wave in the middle of hearing. */
export function beep(times = 1, hertz = 1900): void {
  if (!context || context.state !== 'running') return;
  for (let i = 0; i < times; i += 1) {
    const from = context.currentTime + i * 0.32;
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.type = 'square';
    tone.frequency.value = hertz;
    loud.gain.setValueAtTime(0.22, from);
    loud.gain.setValueAtTime(0, from + 0.18);
    tone.connect(loud).connect(context.destination);
    tone.start(from);
    tone.stop(from + 0.2);
  }
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
