import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../rig/demo';
import type { SessionFile } from '../../schema/files';
import { forOthers, handOutOf } from './handOut';

const AT = '2026-05-14T09:00:00.000Z';
const demo = makeDemo(new Date(AT));

/** A session of the demo with all it refers to, and a settings sheet of its aircraft. */
function fileOf(sessionId: string): SessionFile {
	const session = demo.sessions.find(({ id }) => id === sessionId);
	const aircraft = demo.aircraft.find(({ id }) => id === session?.aircraftId);
	if (!session || !aircraft) throw new Error('the demo has this session');
	const sheet = { id: 'sheet', at: AT, note: 'before', firmware: '4', values: [{ name: 'rate', value: '4' }] };
	const during = { id: 'during', at: session.startedAt, kind: 'knock' as const, note: 'gate' };
	const pack = demo.packs.find(({ id }) => id === session.packId);
	return {
		...({ format: 'winglogos-session', version: 1, exportedAt: AT, session } as const),
		aircraft: { ...aircraft, events: [...aircraft.events, during], snapshots: [sheet] },
		site: demo.sites.find(({ id }) => id === session.siteId) ?? null,
		pack: pack
			? {
					...pack,
					flights: [
						{ id: 'another', at: AT },
						{ id: session.id, at: AT },
					],
				}
			: null,
		entries: demo.entries.filter((entry) => entry.sessionId === session.id),
		photos: [],
	};
}

describe('a session for others', () => {
	it('carries the aircraft as it was flown: no history of before or after, no settings sheet, no other flight of its battery', () => {
		const whole = fileOf('demo-clean');
		const { aircraft, pack, entries, site } = forOthers(whole);
		expect(aircraft.events.map(({ id }) => id)).toContain('during');
		const [from, until] = [whole.session.startedAt, whole.session.endedAt ?? AT];
		for (const { at } of aircraft.events) expect(at >= from && at <= until).toBe(true);
		expect([aircraft.snapshots, pack?.flights?.map(({ id }) => id)]).toEqual([undefined, ['demo-clean']]);
		expect([entries, site]).toEqual([whole.entries, whole.site]);
		expect({ ...aircraft, events: [], snapshots: [] }).toEqual({ ...whole.aircraft, events: [], snapshots: [] });
	});
	it('that still runs names the settings sheet in force, without its values', () => {
		const { snapshots } = forOthers(fileOf('demo-open')).aircraft;
		expect(snapshots).toEqual([{ id: 'sheet', at: AT, note: 'before', firmware: '4', values: [] }]);
	});
	it('is listed before it is saved: counts, names, what stays', () => {
		const whole = fileOf('demo-clean');
		const out = handOutOf(whole);
		expect(out).toMatchObject({ entries: whole.entries.length, sheets: 1, aircraft: whole.aircraft.name });
		expect(out.events.out + out.events.here).toBe(whole.aircraft.events.length);
		expect(out.people).toContain(whole.session.pilot);
	});
});
