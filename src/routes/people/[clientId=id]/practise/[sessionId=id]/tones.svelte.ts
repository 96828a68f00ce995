import type { Player } from './player.svelte';
import { cueOf } from './cueText';

const storageKey = 'calm-reach/sound';
const lastSeconds = 3;

/** Tones at each change and in the last three seconds, and the cue spoken where the device can speak. Off until asked for. */
export class Tones {
  on = $state(localStorage.getItem(storageKey) === 'on');
  #context: AudioContext | null = null;
  #saidPhase = '';
  #countedS = 0;

  toggle(): void {
    this.on = !this.on;
    localStorage.setItem(storageKey, this.on ? 'on' : 'off');
    if (this.on) this.#beep(660);
  }

  /** Called as time passes; says what is new since the last call. */
  follow(player: Player): void {
    if (!this.on || player.paused || player.mode !== 'play') return;
    const { phase } = player;
    const cue = cueOf(phase, player.announcedPct, player.set).text;
    const key = `${player.setIndex}/${cue}`;
    if (key !== this.#saidPhase) {
      this.#saidPhase = key;
      this.#beep(phase.kind.startsWith('press') ? 740 : phase.kind.startsWith('draw') || phase.kind === 'held' ? 520 : 620);
      this.#speak(cue);
    }
    const leftS = Math.ceil(player.remainingS);
    if (leftS <= lastSeconds && leftS > 0 && leftS !== this.#countedS) this.#beep(440, 0.06);
    this.#countedS = leftS;
  }

  #beep(hertz: number, seconds = 0.14): void {
    this.#context ??= new AudioContext();
    const { currentTime, destination } = this.#context;
    const oscillator = this.#context.createOscillator();
    const gain = this.#context.createGain();
    oscillator.frequency.value = hertz;
    gain.gain.setValueAtTime(0.15, currentTime);
    gain.gain.exponentialRampToValueAtTime(0.001, currentTime + seconds);
    oscillator.connect(gain).connect(destination);
    oscillator.start();
    oscillator.stop(currentTime + seconds);
  }

  #speak(text: string): void {
    if (!('speechSynthesis' in window)) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(text));
  }
}
