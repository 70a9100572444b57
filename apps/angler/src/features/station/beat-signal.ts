let audio: AudioContext | null = null;
const [toneHz, toneS, loudness] = [660, 0.06, 0.15];

/** One beat, heard or felt. */
export function signalBeat(by: 'sound' | 'vibration'): void {
  if (by === 'vibration') {
    navigator.vibrate?.(30);
    return;
  }
  audio ??= new AudioContext();
  const [tone, gain] = [audio.createOscillator(), audio.createGain()];
  tone.frequency.value = toneHz;
  gain.gain.setValueAtTime(loudness, audio.currentTime);
  gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + toneS);
  tone.connect(gain).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + toneS);
}
