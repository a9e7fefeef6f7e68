import { preferences } from './preferences.svelte';

/** What the hands-free cue can do: replaced by the tests, which listen instead of hearing. */
export interface Voice {
	say(words: string): void;
	tone(kind: 'step' | 'done' | 'wrong'): void;
	silence(): void;
}

declare global {
	interface Window {
		winglogosVoice?: Voice;
	}
}

const TONES = { step: [660, 0.12], done: [880, 0.35], wrong: [220, 0.3] } as const;
let audio: AudioContext | null = null;

const browserVoice: Voice = {
	say(words) {
		if (!('speechSynthesis' in window)) return;
		window.speechSynthesis.cancel();
		window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
	},
	tone(kind) {
		if (!('AudioContext' in window)) return;
		audio ??= new AudioContext();
		const [hz, forS] = TONES[kind];
		const oscillator = audio.createOscillator();
		const gain = audio.createGain();
		oscillator.frequency.value = hz;
		gain.gain.setValueAtTime(0.25, audio.currentTime);
		gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + forS);
		oscillator.connect(gain).connect(audio.destination);
		oscillator.start();
		oscillator.stop(audio.currentTime + forS);
	},
	silence() {
		if ('speechSynthesis' in window) window.speechSynthesis.cancel();
	},
};

const voice = () => window.winglogosVoice ?? browserVoice;

export const say = (words: string) => {
	if (preferences.voice) voice().say(words);
};
export const tone = (kind: 'step' | 'done' | 'wrong') => {
	if (preferences.tones) voice().tone(kind);
};
export const silence = () => voice().silence();
