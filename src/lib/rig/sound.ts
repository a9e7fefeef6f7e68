import type { Rng } from '$lib/core/math/random';
import { SOUND_RATE_HZ } from '$lib/core/propulsion/tones';

/** How the practice aircraft sounds in a hover. */
export interface HoverSound {
	seconds: number;
	/** Blade passing of its motors on average, Hz. */
	toneHz: number;
	/** All motors together rise and fall by ± %, so often a second. */
	surgePct: number;
	surgeHz: number;
	/** Slow changes by gusts, ± %. */
	gustPct: number;
	/** The tone at once a turn against that of the blades. */
	unbalance: number;
	/** Wind in the microphone against the motors. */
	wind: number;
	/** Peak of the recording, of full scale. */
	loud: number;
	/** Without motors, the wind alone remains. */
	motors: boolean;
}

export const STEADY_HOVER: HoverSound = {
	seconds: 20,
	toneHz: 210,
	surgePct: 0.15,
	surgeHz: 4,
	gustPct: 0.8,
	unbalance: 0.06,
	wind: 0.5,
	loud: 0.5,
	motors: true,
};

const HARMONICS = 8;
const ROTORS = 4;

/** A hover as a microphone on the ground hears it: four propellers that turn nearly alike, and wind. At 8 kHz, −1 to 1. */
export function hoverSound(change: Partial<HoverSound>, rng: Rng): Float64Array {
	const s = { ...STEADY_HOVER, ...change };
	const n = Math.round(s.seconds * SOUND_RATE_HZ);
	const out = new Float64Array(n);
	const rotors = Array.from({ length: ROTORS }, () => ({
		apart: 1 + 0.012 * rng.normal(),
		phase: Array.from({ length: HARMONICS + 1 }, () => 2 * Math.PI * rng.uniform()),
		angle: 0,
		own: 0,
	}));
	const gusts = Array.from({ length: 3 }, (_, k) => ({ hz: 0.15 + 0.12 * k, phase: 2 * Math.PI * rng.uniform() }));
	let low = 0;
	for (let i = 0; i < n; i++) {
		const t = i / SOUND_RATE_HZ;
		const gust = gusts.reduce((sum, { hz, phase }) => sum + Math.sin(2 * Math.PI * hz * t + phase), 0) / 2;
		const together = 1 + (s.surgePct / 100) * Math.sin(2 * Math.PI * s.surgeHz * t) + (s.gustPct / 100) * gust;
		let sum = 0;
		if (s.motors)
			for (const rotor of rotors) {
				rotor.own += -0.0005 * rotor.own + 2e-5 * rng.normal();
				rotor.angle += (2 * Math.PI * s.toneHz * rotor.apart * (together + rotor.own)) / SOUND_RATE_HZ;
				for (let h = 1; h <= HARMONICS; h++) sum += Math.sin(h * rotor.angle + rotor.phase[h]) / h;
				sum += s.unbalance * Math.sin(rotor.angle / 2 + rotor.phase[0]);
			}
		low += 0.02 * (rng.normal() - low);
		out[i] = sum + s.wind * (6 * low + 0.5 * rng.normal());
	}
	const peak = out.reduce((most, v) => Math.max(most, Math.abs(v)), 0);
	return out.map((v) => Math.max(-1, Math.min(1, (v / peak) * s.loud)));
}
