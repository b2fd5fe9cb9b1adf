import { Injectable } from '@angular/core';

/** Two strokes on a crock: pitches in Hz, and when each begins, s. */
const STROKES = [
  { hz: 523.25, at: 0 },
  { hz: 783.99, at: 0.28 },
] as const;
const RINGS_S = 1.4;
const LOUD = 0.25;

/** A chime made by the page itself; silent where the browser gives no sound. */
@Injectable({ providedIn: 'root' })
export class Bell {
  private context: AudioContext | null = null;

  ring(): void {
    if (typeof AudioContext === 'undefined') return;
    this.context ??= new AudioContext();
    const { context } = this;
    void context.resume().catch(() => undefined);
    for (const { hz, at } of STROKES) {
      const from = context.currentTime + at;
      const tone = context.createOscillator();
      const fade = context.createGain();
      tone.frequency.value = hz;
      fade.gain.setValueAtTime(LOUD, from);
      fade.gain.exponentialRampToValueAtTime(0.001, from + RINGS_S);
      tone.connect(fade).connect(context.destination);
      tone.start(from);
      tone.stop(from + RINGS_S);
    }
  }
}
