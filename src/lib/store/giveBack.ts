import { localDay } from '$lib/words/calendar';
import { max } from 'd3-array';
import type { EntryPayload, TestPayload } from '$lib/schema/entries';
import { gradeOf } from '$lib/core/evidence/grade';
import { undoneBy } from '$lib/core/session/checklist/undoes';
import { isEvidence } from '$lib/core/evidence/standing';
import { valueIn } from '$lib/core/figures/figure';
import { db } from './db';
import type { Values } from '$lib/instruments/instrument';
import { aircraftSchema } from '$lib/schema/records';
import { entriesAbout } from './earlier';
import { saveAircraft, savePack, saveSite } from './repository';

const side = (m: number, plus: string, minus: string) => `${Math.abs(m).toFixed(0)} m ${m < 0 ? minus : plus}`;

/**
 * The usual hum of an aircraft is that of the first good hover after a part of it was last changed: were it each time the last one's,
 * what wears slowly would never be heard.
 */
async function giveUsualHum(aircraftId: string, latest: TestPayload) {
	const { forms, events } = aircraftSchema.parse(await db.aircraft.get(aircraftId));
	const changed =
		max(
			events
				.filter((event) => event.kind === 'part' && undoneBy(event.kind, event).has('sounds-even'))
				.map(({ at }) => at),
		) ?? '';
	const good = (await entriesAbout(aircraftId, 'sound')).flatMap((entry) =>
		entry.at > changed && entry.payload.kind === 'test' && entry.payload.verdict === 'pass' && isEvidence(entry)
			? [entry.payload]
			: [],
	);
	const first = good.at(-1) ?? latest;
	const [usualHz, usualPct] = [valueIn(first.figures, 'motor-tone'), valueIn(first.figures, 'surging')];
	if (usualHz !== null && usualPct !== null)
		await remember(aircraftId, 'sound', { ...forms?.sound, usualHz, usualPct });
}

/**
 * Keeps what a finding says of the aircraft, the pack and the place with them, so that the next session begins with it. Nothing of a rehearsal and
 * nothing that failed is given back.
 */
export async function giveBack(
	payload: EntryPayload,
	to: { aircraftId: string; packId: string | null; siteId: string | null },
) {
	if (payload.kind !== 'test' || gradeOf(payload) === 'rehearsed' || payload.verdict === 'fail') return;
	const { figures } = payload;
	if (payload.task === 'sound' && payload.verdict === 'pass') await giveUsualHum(to.aircraftId, payload);
	const resistance = valueIn(figures, 'cell-resistance');
	const [north, east] = [valueIn(figures, 'clean-north'), valueIn(figures, 'clean-east')];
	const pack = payload.task === 'pack' && resistance !== null && to.packId ? await db.packs.get(to.packId) : null;
	if (pack && resistance) await savePack({ ...pack, resistanceMohm: resistance });
	const site = payload.task === 'survey' && north !== null && to.siteId ? await db.sites.get(to.siteId) : null;
	if (site && north !== null && east !== null)
		await saveSite({
			...site,
			cleanSpot: `${side(north, 'north', 'south')}, ${side(east, 'east', 'west')} of where the survey of ${localDay(Date.now())} began`,
		});
}

/** Keeps with an aircraft what was typed into an instrument for it and stays true, so that nobody types it twice. */
export async function remember(aircraftId: string, instrument: string, values: Values) {
	const aircraft = Object.keys(values).length > 0 ? await db.aircraft.get(aircraftId) : null;
	if (!aircraft) return;
	const { forms } = aircraftSchema.parse(aircraft);
	await saveAircraft(aircraftSchema.parse({ ...aircraft, forms: { ...forms, [instrument]: values } }));
}
