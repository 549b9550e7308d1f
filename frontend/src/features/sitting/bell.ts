// A soft bell, made here: two partials that fade.
const PARTIALS = [
  { hertz: 528, loud: 0.14 },
  { hertz: 1061, loud: 0.05 },
];
const SECONDS = 1.8;
const APART = 0.9;

export function ring(times: number): void {
  try {
    const sound = new AudioContext();
    for (let number = 0; number < times; number += 1) {
      for (const { hertz, loud } of PARTIALS) {
        const tone = sound.createOscillator();
        const volume = sound.createGain();
        const from = sound.currentTime + number * APART;
        tone.frequency.value = hertz;
        volume.gain.setValueAtTime(0, from);
        volume.gain.linearRampToValueAtTime(loud, from + 0.02);
        volume.gain.exponentialRampToValueAtTime(0.0001, from + SECONDS);
        tone.connect(volume).connect(sound.destination);
        tone.start(from);
        tone.stop(from + SECONDS);
      }
    }
    window.setTimeout(() => sound.close(), (times * APART + SECONDS) * 1000);
  } catch {
    // A browser without sound still shows the time.
  }
}
