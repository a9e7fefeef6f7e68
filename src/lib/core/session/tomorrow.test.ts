import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import type { Aircraft, AircraftKind, Pack } from '../../schema/records';
import { aircraftDue } from '../due/aircraftDue';
import { planTomorrow, toCharge, type Going } from './tomorrow';

const AT = '2026-11-26T08:00:00.000Z';
const HOME = '2026-11-26T18:00:00.000Z';
const START = '2026-11-27T09:00:00.000Z';
const pack = (name: string, more: Partial<Pack> = {}): Pack => ({
	...{
		id: name,
		name,
		aircraftId: 'a',
		cells: 4,
		capacityMah: 5000,
		cycles: 1,
		boughtOn: '2026-01-01',
		notes: '',
		updatedAt: AT,
	},
	...more,
});
function going(kind: AircraftKind, more: Partial<Aircraft> = {}, packs: Pack[] = []): Going {
	const aircraft = { ...newAircraft('a', kind, AT), name: 'Dunlin', ...more };
	return { aircraft, packs, deferred: [], due: aircraftDue(aircraft, new Map(), null, AT) };
}
const plan = (list: Going[], more: object = {}) =>
	planTomorrow(list, { name: 'Saltings' }, { homeAt: HOME, startAt: START, travelMin: 30, cold: false, ...more });

describe('the day before', () => {
	it('is done at home from when one begins, and there worked back from the first take-off, without a gap', () => {
		const { steps, leaveAt, homeDoneAt } = plan([going('multirotor'), going('wing', { name: 'Avocet' })], {
			cold: true,
		});
		const follows = (list: typeof steps) =>
			list
				.slice(1)
				.forEach(({ at }, k) => expect(Date.parse(at)).toBe(Date.parse(list[k].at) + list[k].minutes * 60_000));
		const home = steps.filter(({ where }) => where === 'home');
		const away = steps.filter(({ where }) => where !== 'home');
		follows(home);
		follows(away);
		expect(home[0].at).toBe(HOME);
		expect(away[0]).toMatchObject({ where: 'way', at: leaveAt });
		const end = (list: typeof steps) => Date.parse(list[list.length - 1].at) + list[list.length - 1].minutes * 60_000;
		expect(end(away)).toBe(Date.parse(START));
		expect(end(home)).toBe(Date.parse(homeDoneAt));
	});

	it('charges what is not charged, and nothing that is or that is out of use', () => {
		const packs = [
			pack('D-1', { state: 'charged' }),
			pack('D-2', { state: 'used' }),
			pack('D-3'),
			pack('D-4', { state: 'used', retired: { at: AT, why: 'swollen' } }),
		];
		expect(toCharge(packs).map(({ name }) => name)).toEqual(['D-2', 'D-3']);
		const { steps, packing } = plan([going('multirotor', {}, packs)]);
		expect(steps[0]).toMatchObject({ what: 'Charge D-2, D-3, beside the rest', at: HOME });
		expect(steps[1].at).toBe(HOME);
		expect(packing[0]).toEqual({ what: 'Dunlin', why: 'packs D-1, D-2, D-3' });
		expect(plan([going('multirotor', {}, [packs[0]])]).steps.some(({ what }) => what.startsWith('Charge'))).toBe(false);
	});

	it('cools what is measured cold, turns the compass only there, and brings back what was left', () => {
		const one = going('multirotor');
		const left = { task: 'left-foam', about: 'Fit foam', dueAt: 'bench' as const, reason: 'no time', at: AT };
		const { steps } = plan([{ ...one, deferred: [left] }], { cold: true });
		const compass = one.due.find(({ sensor }) => sensor === 'compass');
		expect(compass?.due).toBe(true);
		expect(steps.find(({ what }) => what === compass?.name)?.where).toBe('site');
		expect(steps.some(({ what }) => what.startsWith('Put it out to cool'))).toBe(
			one.due.some(({ sensor, due }) => due && (sensor === 'gyro' || sensor === 'accelerometer')),
		);
		expect(steps.find(({ what }) => what === 'Fit foam')?.where).toBe('home');
	});

	it('packs what each kind needs', () => {
		const has = (kind: AircraftKind, words: string) =>
			plan([going(kind)]).packing.some(({ what }) => what.includes(words));
		expect(has('sprayer', 'bucket')).toBe(true);
		expect(has('racer', 'Goggles')).toBe(true);
		expect(has('camera', 'bucket')).toBe(false);
		expect(has('camera', 'Memory card')).toBe(true);
	});
});
