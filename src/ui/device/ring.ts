'use client';

import { useEffect, useRef } from 'react';

let audio: AudioContext | null = null;

/** Browsers let a page sound only after it was touched once. */
function unlock(): void {
  audio ??= typeof AudioContext === 'undefined' ? null : new AudioContext();
  void audio?.resume();
}

/** Two short notes, made here: no file to load, no network to need. */
export function chime(): void {
  if (audio?.state !== 'running') return;
  const { currentTime } = audio;
  for (const [n, hertz] of [880, 1320].entries()) {
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    const at = currentTime + n * 0.22;
    tone.frequency.value = hertz;
    tone.type = 'triangle';
    loud.gain.setValueAtTime(0, at);
    loud.gain.linearRampToValueAtTime(0.5, at + 0.02);
    loud.gain.exponentialRampToValueAtTime(0.001, at + 0.2);
    tone.connect(loud).connect(audio.destination);
    tone.start(at);
    tone.stop(at + 0.22);
  }
}

const EVERY = 1500;

/** Rings as long as `ringing`, and once whenever `strokes` grows. */
export function useRing(ringing: boolean, strokes: number): void {
  const before = useRef(strokes);
  useEffect(() => {
    window.addEventListener('pointerdown', unlock);
    window.addEventListener('keydown', unlock);
    return () => {
      window.removeEventListener('pointerdown', unlock);
      window.removeEventListener('keydown', unlock);
    };
  }, []);
  useEffect(() => {
    if (!ringing) return;
    chime();
    const timer = setInterval(chime, EVERY);
    return () => clearInterval(timer);
  }, [ringing]);
  useEffect(() => {
    if (strokes > before.current) chime();
    before.current = strokes;
  }, [strokes]);
}
