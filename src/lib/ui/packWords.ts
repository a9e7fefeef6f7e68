import type { Chemistry, Pack } from '$lib/schema/records';

export const CHEMISTRY_WORDS: Record<Chemistry, string> = {
	lipo: 'lithium-polymer, full at 4.20 V',
	'high-voltage': 'high-voltage, full at 4.35 V',
	'lithium-ion': 'lithium-ion, full at 4.20 V',
	percent: 'shows per cent only',
};

export const PACK_STATE_WORDS: Record<NonNullable<Pack['state']>, string> = {
	charged: 'Charged',
	used: 'Used',
	storage: 'At storage charge',
};
