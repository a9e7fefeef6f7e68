import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import type { Aircraft, AircraftKind, Pack } from '../../schema/records';
import { aircraftDue } from '../due/aircraftDue';
import { planTomorrow, toCharge, type Going } from './tomorrow';

const AT = '2026-11-26T08:00:00.000Z';
const HOME = '2026-11-26T18:00:00.000Z';
const START = '2026-11-27T09:00:00.000Z';
const pack = (name: string, more: Partial<Pack> = {}): Pack => ({
	id: name,
	name,
	aircraftId: 'a',
	cells: 4,
	capacityMah: 5000,
	cycles: 1,
	boughtOn: '2026-01-01',
	notes: '',
	updatedAt: AT,
	...more,
});
function going(kind: AircraftKind, more: Partial<Aircraft> = {}, packs: Pack[] = []): Going {
	const aircraft = { ...newAircraft('a', kind, AT), name: 'Dunlin', ...more };
	return { aircraft, packs, deferred: [], due: aircraftDue(aircraft, new Map(), null, AT) };
}
const plan = (list: Going[], more: object = {}) =>
	planTomorrow(list, { name: 'Saltings' }, { homeAt: HOME, startAt: START, travelMin: 30, cold: false, ...more });

describe('the day before', () => {
	it('plan of a day: one person works without a gap, from the start at home and up to the first takeoff', () => {
		const { steps, leaveAt, homeDoneAt } = plan([going('multirotor'), going('wing', { name: 'Avocet' })]);
		const end = ({ at, minutes }: (typeof steps)[number]) => Date.parse(at) + minutes * 60_000;
		const follows = (list: typeof steps) =>
			list.slice(1).forEach((step, k) => expect(Date.parse(step.at)).toBe(end(list[k] ?? step)));
		const home = steps.filter(({ where }) => where === 'home');
		const away = steps.filter(({ where }) => where !== 'home');
		follows(home);
		follows(away);
		expect(home[0]?.at).toBe(HOME);
		expect(away[0]).toMatchObject({ where: 'way', at: leaveAt });
		expect(Math.max(...away.map(end))).toBe(Date.parse(START));
		expect(Math.max(...home.map(end))).toBe(Date.parse(homeDoneAt));
	});

	it('plan of a day: a crew of three is done sooner than one person, and every attended step names who does it', () => {
		const five = ['A', 'B', 'C', 'D', 'E'].map((name) => going('multirotor', { name }));
		const [alone, three] = [plan(five, { cold: true }), plan(five, { cold: true, crew: ['Ada', 'Ben', 'Cy'] })];
		const hours = ({ homeDoneAt }: typeof alone) => (Date.parse(homeDoneAt) - Date.parse(HOME)) / 3_600_000;
		expect(hours(three)).toBeLessThan(hours(alone));
		// All five cool down at once.
		const cooling = three.steps.filter(({ what }) => what.startsWith('Put it outdoors'));
		expect(cooling.map(({ at, person }) => [at, person])).toEqual(cooling.map(() => [HOME, '']));
		for (const { person, what } of three.steps.filter(({ aircraft }) => aircraft !== ''))
			if (!what.startsWith('Put it outdoors')) expect(['Ada', 'Ben', 'Cy']).toContain(person);
		expect(three.leaveAt > alone.leaveAt).toBe(true);
	});

	it('plan of a day: what is calibrated cold follows the two hours of cooling down at once', () => {
		const { steps } = plan([going('multirotor')], { cold: true });
		const k = steps.findIndex(({ what }) => what.startsWith('Put it outdoors'));
		expect(steps[k]?.minutes).toBe(120);
		expect(['Gyro', 'Accelerometer']).toContain(steps[k + 1]?.what);
		expect(Date.parse(steps[k + 1]?.at ?? '')).toBe(Date.parse(HOME) + 120 * 60_000);
	});

	it('plan of a day: calibrations of every day are planned for the day itself, not for the evening before', () => {
		const places = (more: object) =>
			plan([going('multirotor', { school: 'every-day' })], more)
				.steps.filter(({ what }) => what === 'Gyro')
				.map(({ where }) => where);
		expect(places({})).toEqual(['site']);
		expect(places({ homeAt: '2026-11-27T05:00:00.000Z' })).toEqual(['home']);
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
		expect(steps[0]).toMatchObject({ what: 'Charge D-2, D-3', at: HOME });
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
		expect(steps.some(({ what }) => what.startsWith('Put it outdoors'))).toBe(
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
