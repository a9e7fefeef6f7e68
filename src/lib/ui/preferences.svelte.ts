import { z } from 'zod';
import type { UnitSystem } from '$lib/words/units';

const schema = z.object({
	theme: z.enum(['paper', 'dusk', 'sun']).catch('paper'),
	units: z.enum(['metric', 'kmh', 'nautical', 'imperial']).catch('metric'),
	voice: z.boolean().catch(true),
	tones: z.boolean().catch(true),
	pilot: z.string().max(120).catch(''),
	/** Items are read aloud as they come. */
	readAloud: z.boolean().catch(false),
	/** A second person confirms each answer. */
	twoPersons: z.boolean().catch(false),
	/** Explained step by step, or figures first. */
	detail: z.enum(['explained', 'figures']).catch('explained'),
	/** The pilot's own step, metres. */
	stepM: z.number().min(0.3).max(1.5).catch(0.75),
	/** The pilot's landing mark, a flat one with four corners: its near edge and its length, metres. */
	markAcrossM: z.number().min(0.05).max(10).catch(0.75),
	markAlongM: z.number().min(0.05).max(10).catch(0.75),
	/** Instruments that were opened last, the latest first. */
	lately: z.array(z.string().max(40)).max(4).catch([]),
	/** Where readings were taken from last, by aircraft and what is measured. */
	ways: z.record(z.string().max(120), z.string().max(20)).catch({}),
});
export type Preferences = z.infer<typeof schema>;

const KEY = 'winglogos-preferences';

function load(): Preferences {
	let stored: unknown = {};
	try {
		stored = JSON.parse(localStorage.getItem(KEY) ?? '{}');
	} catch {
		// unreadable preferences are no preferences, nor are those of a browser that keeps none
	}
	return schema.parse(stored && typeof stored === 'object' ? stored : {});
}

/** The pilot's choices on this device: theme, units, voice, tones, name, step. */
export const preferences = $state<Preferences>(load());

/** Changes and keeps a preference. */
export function prefer(change: Partial<Preferences>): void {
	Object.assign(preferences, change);
	try {
		localStorage.setItem(KEY, JSON.stringify(preferences));
	} catch {
		// full or refused: it holds until the page is left
	}
	document.documentElement.dataset.theme = preferences.theme;
}

export const units = (): UnitSystem => preferences.units;
