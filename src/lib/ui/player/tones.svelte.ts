import { tell } from '../toasts';
import type { Prop } from '$lib/core';
import type { LengthUnit } from '$lib/contract/fields';
import { store, stored } from '$lib/ui/stored';
import { spokenText, stackChangeText } from './cueText';
import type { Player } from './player.svelte';

const lastSeconds = 3;
/** Holds from here on are told their middle. */
const halfwayFromS = 40;
/** So many breaths or pulses are told their middle; the last ones are counted down. */
const halfwayFromCount = 8;
const lastCounts = 3;
const noVoiceKey = 'calm-reach/no-voice-told';

/** For somebody who does not look: a tone at each change and in the last three seconds, and the words where the device has a voice. */
export class Tones {
  on = $state(false);
  readonly #key: string;
  readonly #shelf: readonly Prop[];
  readonly #unit: LengthUnit;
  #context: AudioContext | null = null;
  #said = '';
  #countedS = 0;
  #countedAt: string | null = null;
  #mode: Player['mode'] = 'play';

  /** Off until asked for, and remembered for each person. */
  constructor(clientId: number, shelf: readonly Prop[], unit: LengthUnit) {
    this.#key = `calm-reach/sound/${clientId}`;
    this.#shelf = shelf;
    this.#unit = unit;
    this.on = stored(this.#key) === 'on';
  }

  toggle(): void {
    this.on = !this.on;
    store(this.#key, this.on ? 'on' : 'off');
    if (!this.on) return;
    this.#beep(660);
    if (hasVoice() || stored(noVoiceKey)) return;
    store(noVoiceKey, 'yes');
    tell('This browser has no voice. You will hear tones only.', { position: 'top-center' }); // never over the pain button
  }

  /** Called as time passes; says what is new since the last call. */
  follow(player: Player): void {
    const hasEnded = this.#mode === 'play' && (player.mode === 'ask' || player.mode === 'ended');
    this.#mode = player.mode;
    if (!this.on) return;
    if (hasEnded) {
      this.#beep(660, 0.2);
      this.#beep(880, 0.35, 0.2);
      this.#speak(player.mode === 'ended' ? 'The session is over.' : 'The set is done.');
    }
    if (player.paused || player.mode !== 'play') return;
    const { phase, work, sets, setIndex, find } = player;
    const change = stackChangeText(find(player.set.exerciseId), work, sets[setIndex - 1]?.work, this.#shelf, this.#unit);
    const text = spokenText(phase, player.announcedPct, player.set, player.shown, change, find);
    if (`${setIndex}/${text}` !== this.#said) {
      this.#said = `${setIndex}/${text}`;
      this.#beep(phase.kind.startsWith('press') ? 740 : phase.kind.startsWith('draw') || phase.kind === 'held' ? 520 : 620);
      this.#speak(text);
    }
    this.#count(player);
    const leftS = Math.ceil(player.remainingS);
    if (leftS !== this.#countedS) {
      if (leftS <= lastSeconds && leftS > 0) this.#beep(440, 0.06);
      const lengthS = phase.endS - phase.startS;
      if (phase.kind === 'hold' && !player.count && lengthS >= halfwayFromS && leftS === Math.floor(lengthS / 2))
        this.#speak('Halfway.');
    }
    this.#countedS = leftS;
  }

  /** A small tone for each breath or pulse, halfway and the last three by their number. */
  #count({ count, phaseIndex, setIndex }: Player): void {
    const place = count && `${setIndex}/${phaseIndex}/${count.at}`;
    if (!count || place === this.#countedAt) return;
    this.#countedAt = place;
    if (count.at === 1) return; // the cue begins it
    this.#beep(330, 0.05);
    const left = count.of - count.at + 1;
    if (left <= lastCounts) this.#speak(left === 1 ? 'Last one.' : `${left} more.`);
    else if (count.of >= halfwayFromCount && count.at === Math.floor(count.of / 2) + 1) this.#speak('Halfway.');
  }

  #beep(hertz: number, seconds = 0.14, inS = 0): void {
    this.#context ??= new AudioContext();
    const { currentTime, destination } = this.#context;
    const oscillator = this.#context.createOscillator();
    const gain = this.#context.createGain();
    oscillator.frequency.value = hertz;
    gain.gain.setValueAtTime(0.15, currentTime + inS);
    gain.gain.exponentialRampToValueAtTime(0.001, currentTime + inS + seconds);
    oscillator.connect(gain).connect(destination);
    oscillator.start(currentTime + inS);
    oscillator.stop(currentTime + inS + seconds);
  }

  #speak(text: string): void {
    if (!hasVoice()) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(text));
  }
}

const hasVoice = () => 'speechSynthesis' in window && speechSynthesis.getVoices().length > 0;
