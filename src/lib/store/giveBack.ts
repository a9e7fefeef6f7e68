import type { EntryPayload } from '$lib/schema/entries';
import { CLEAN_EAST, CLEAN_NORTH, RESISTANCE, SURGE, TONE } from '$lib/instruments/given';
import { db } from './db';
import type { Values } from '$lib/instruments/instrument';
import { aircraftSchema } from '$lib/schema/records';
import { saveAircraft, savePack, saveSite } from './repository';

const side = (m: number, plus: string, minus: string) => `${Math.abs(m).toFixed(0)} m ${m < 0 ? minus : plus}`;

/**
 * Keeps what a finding says of the aircraft, the pack and the place with them, so that the next session begins with it. Nothing of a rehearsal and
 * nothing that failed is given back.
 */
export async function giveBack(
	payload: EntryPayload,
	to: { aircraftId: string; packId: string | null; siteId: string | null },
) {
	if (payload.kind !== 'test' || payload.grade === 'rehearsed' || payload.verdict === 'fail') return;
	const figure = (label: string) => payload.figures.find((f) => f.label === label)?.value ?? null;
	const [tone, surge] = [figure(TONE), figure(SURGE)];
	if (payload.task === 'sound' && payload.verdict === 'pass' && tone !== null && surge !== null) {
		const { forms } = aircraftSchema.parse(await db.aircraft.get(to.aircraftId));
		await remember(to.aircraftId, 'sound', { ...forms?.sound, usualHz: tone, usualPct: surge });
	}
	const [resistance, north, east] = [figure(RESISTANCE), figure(CLEAN_NORTH), figure(CLEAN_EAST)];
	const pack = payload.task === 'pack' && resistance !== null && to.packId ? await db.packs.get(to.packId) : null;
	if (pack && resistance) await savePack({ ...pack, resistanceMohm: resistance });
	const site = payload.task === 'survey' && north !== null && to.siteId ? await db.sites.get(to.siteId) : null;
	if (site && north !== null && east !== null)
		await saveSite({
			...site,
			cleanSpot: `${side(north, 'north', 'south')}, ${side(east, 'east', 'west')} of where the survey of ${new Date().toISOString().slice(0, 10)} began`,
		});
}

/** Keeps with an aircraft what was typed into an instrument for it and stays true, so that nobody types it twice. */
export async function remember(aircraftId: string, instrument: string, values: Values) {
	const aircraft = Object.keys(values).length > 0 ? await db.aircraft.get(aircraftId) : null;
	if (!aircraft) return;
	const { forms } = aircraftSchema.parse(aircraft);
	await saveAircraft(aircraftSchema.parse({ ...aircraft, forms: { ...forms, [instrument]: values } }));
}
