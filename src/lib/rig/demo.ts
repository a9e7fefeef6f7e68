import { figure } from '../core/figures/figure';
import { sensorsOf } from '../core/due/rules';
import { IDENTITY } from '../core/frames/mat3';
import { seededRng } from '../core/math/random';
import { accelKept } from '../core/inertial/kept';
import { fitAccelerometer } from '../core/inertial/accelFit';
import { reviewStillGyro } from '../core/inertial/gyro';
import type { Light, Aircraft, Control, Pack, Site } from '../schema/records';
import type { Backup } from '../schema/files';
import { Scribe } from './demoScribe';
import { recordGyro, recordPoses } from './inertial';
import { NO_FAULTS } from './rig';

const DAY_MS = 86_400_000;

/** Names of the demo: an invented wetland trust, its people and its aircraft. */
const PILOTS = { ines: 'Ines Marlowe', jonas: 'Jonas Fell' } as const;

const baseAircraft = {
	description: '',
	compasses: 1,
	hasPosition: true,
	minReturnDistanceM: 15,
	lock: { minSatellites: 8, maxHdop: 2, holdS: 30 },
	compassHeadingLimitDeg: 1,
	school: 'after-events' as const,
	lights: '',
	manual: '',
	lossAction: 'return' as const,
	gives: 'logs' as const,
};

/** Everything the demo shows, made by seeded code as of `now`: about two months of a small crew's records. */
export function makeDemo(now: Date): Backup {
	const day = (ago: number, hour = 9, minute = 0) => {
		const at = new Date(now.getTime() - ago * DAY_MS);
		if (ago > 0) at.setHours(hour, minute, 0, 0);
		return at.toISOString();
	};
	const event = (id: string, ago: number, kind: Aircraft['events'][number]['kind'], note: string) => ({
		id,
		at: day(ago, 16),
		kind,
		note,
	});
	const light = (
		id: string,
		during: string,
		colour: string,
		pattern: Light['pattern'],
		meaning: string,
		next: string,
	): Light => ({ id, during, colour, pattern, sound: '', meaning, next });
	const control = (id: string, name: string, position: string, does: Control['does']): Control => ({
		id,
		control: name,
		position,
		does,
		shown: '',
	});
	const aircraft: Aircraft[] = [
		{
			...baseAircraft,
			id: 'demo-dunlin',
			name: 'Dunlin',
			kind: 'multirotor',
			description: 'Survey quad with a downward camera.',
			rotors: 4,
			firmware: '4.2',
			returnSpeedMps: 6,
			returnHeightM: 40,
			parts: { camera: true, beeper: true, 'pressure-foam': true },
			propellers: 'nut',
			controls: [
				control('c1', 'right switch', 'down', 'arm'),
				control('c2', 'left switch', 'up', 'self-level'),
				control('c3', 'left switch', 'middle', 'position-hold'),
				control('c4', 'left switch', 'down', 'return'),
				control('c5', 'red button', 'held', 'beeper'),
			],
			flies: { airspeedMaxMps: 16, climbMps: 3, descentMps: 1.5, speedKind: 'ground', climbFirst: true, hoverW: 250 },
			lightTable: [
				light('l1', 'starting', 'white', 'slow', 'the gyro settles', 'Hands off'),
				light('l2', 'starting', 'white', 'steady', 'it may be touched', ''),
				light('l3', 'no fix', 'amber', 'slow', 'no fix yet', 'Wait under open sky'),
				light('l4', 'fix', 'blue', 'steady', 'home is stored', ''),
				light('l5', 'fault', 'red', 'fast', 'it will not arm', 'Read the message on its screen'),
			],
			manual: 'Builder’s notes, pages 3 to 9',
			events: [
				event('e1', 61, 'new', 'delivered and assembled'),
				event('e2', 7, 'part', 'right rear motor replaced'),
				event('e3', 7, 'firmware', '4.1 to 4.2'),
			],
			updatedAt: day(7, 16),
		},
		{
			...baseAircraft,
			id: 'demo-avocet',
			name: 'Avocet',
			kind: 'wing',
			description: 'Flying-wing mapper.',
			rotors: 0,
			firmware: '2.8',
			returnSpeedMps: 14,
			returnHeightM: 60,
			surfaces: 'elevons',
			flies: { airspeedMaxMps: 20, climbMps: 3, descentMps: 2, hoverW: 140 },
			events: [event('e4', 55, 'new', 'first season'), event('e5', 3, 'journey', 'by car to the north shore')],
			updatedAt: day(3, 16),
		},
		{
			...baseAircraft,
			id: 'demo-curlew',
			name: 'Curlew',
			kind: 'sprayer',
			description: 'Six-rotor seed spreader.',
			rotors: 6,
			compasses: 2,
			firmware: '1.9',
			returnSpeedMps: 8,
			returnHeightM: 30,
			school: 'every-day',
			events: [event('e6', 48, 'new', 'leased for the season')],
			updatedAt: day(48, 16),
		},
		{
			...baseAircraft,
			id: 'demo-plover',
			name: 'Plover',
			kind: 'camera',
			description: 'Folding camera drone for the visitors’ pictures.',
			rotors: 4,
			firmware: '7.1',
			returnSpeedMps: 9,
			returnHeightM: 35,
			gives: 'screen',
			obstacleSides: ['front', 'rear', 'down'],
			lightTable: [
				light('l6', 'compass calibration', 'yellow', 'steady', 'first turn, level', ''),
				light('l7', 'compass calibration', 'green', 'steady', 'second turn, upright', ''),
				light('l8', 'compass calibration', 'red', 'fast', 'failed', 'Walk ten steps on and begin again'),
			],
			events: [event('e7', 40, 'new', 'bought for the season')],
			updatedAt: day(40, 16),
		},
		{
			...baseAircraft,
			id: 'demo-swift',
			name: 'Swift',
			kind: 'racer',
			description: 'Small racing quad of the volunteers.',
			rotors: 4,
			compasses: 0,
			hasPosition: false,
			firmware: '3.3',
			returnSpeedMps: 20,
			returnHeightM: 20,
			lossAction: 'stop',
			gives: 'screen',
			parts: { 'self-righting': true },
			propellers: 'nut',
			events: [event('e8', 30, 'new', 'built by the youth group')],
			updatedAt: day(30, 16),
		},
	];
	const sites: Site[] = [
		{
			id: 'demo-saltings',
			name: 'Hollin Saltings, sea wall',
			latDeg: 54.2113,
			lonDeg: -3.0642,
			altM: 7,
			obstacles: [
				{ id: 'ob1', name: 'Poplars by the lane', bearingDeg: 75, distanceM: 140, heightM: 18, widthM: 25 },
				{ id: 'ob2', name: 'Bird hide', bearingDeg: 200, distanceM: 60, heightM: 5, widthM: 4 },
			],
			rules: 'Trust land; told to the warden each season.',
			approach: 'On the mat behind the wall, coming in from the south-west',
			hazards: 'Steel sluice 40 m east of the gate',
			cleanSpot: 'on the grass, 40 m west of the gate',
			notes: 'Gate code with the warden.',
			updatedAt: day(60),
		},
		{
			id: 'demo-north',
			name: 'Hollin Saltings, north shore',
			latDeg: 54.2391,
			lonDeg: -3.0418,
			altM: 4,
			notes: 'Open to the west; gusts come in off the water.',
			updatedAt: day(60),
		},
		{
			id: 'demo-shed',
			name: 'Trust workshop',
			latDeg: 54.1987,
			lonDeg: -3.0921,
			altM: 12,
			notes: 'Steel door and reinforced floor. Bench work only, no compass.',
			updatedAt: day(60),
		},
	];
	const pack = (
		id: string,
		name: string,
		aircraftId: string,
		cycles: number,
		boughtOn: string,
		capacityMah: number,
		cells: number,
	): Pack => ({
		id,
		name,
		aircraftId,
		cells,
		capacityMah,
		cycles,
		boughtOn,
		notes: '',
		updatedAt: day(4),
	});
	const packs: Pack[] = [
		pack('demo-d1', 'D-1', 'demo-dunlin', 112, '2025-03-02', 5200, 4),
		pack('demo-d3', 'D-3', 'demo-dunlin', 41, '2026-02-11', 5200, 4),
		pack('demo-a2', 'A-2', 'demo-avocet', 63, '2025-09-20', 4000, 4),
		pack('demo-c1', 'C-1', 'demo-curlew', 8, '2026-07-15', 16_000, 6),
	];
	const made = [
		...aircraft.map((craft, k) =>
			k === 0
				? benchBook(craft, sites[2], day(46 + COLD.length * DAYS_BETWEEN, 15), 71, COLD)
				: benchBook(craft, sites[2], day(46 - 2 * k, 15), 71 + k),
		),
		cleanSession(aircraft[0], sites[0], packs[1], day(24, 9, 10)),
		stoppedSession(aircraft[0], sites[0], packs[1], day(16, 13, 40)),
		windySession(aircraft[1], sites[1], packs[2], day(10, 10, 20)),
		openSession(aircraft[0], sites[0], packs[1], new Date(now.getTime() - 55 * 60_000).toISOString()),
	];
	return {
		aircraft,
		sites,
		packs,
		sessions: made.map(({ session }) => session),
		entries: made.flatMap(({ entries }) => entries),
		photos: [],
	};
}

/** A clean session: everything seen, nothing in the way. */
const cleanSession = (aircraft: Aircraft, site: Site, pack: Pack, at: string) =>
	new Scribe('demo-clean', 'Transect survey, sea wall', aircraft, site, pack, PILOTS.ines, at)
		.station('plan', { 'pack-voltage': 4.18 })
		.station('bench')
		.station('site')
		.station('compass')
		.siteField(31, { ...NO_FAULTS, offsets: false })
		.compass(32, NO_FAULTS, 'accepted')
		.station('power-up')
		.position(33, NO_FAULTS)
		.wind({ fromDeg: 250, speedMps: 3.1, gustMps: 4.4 })
		.wayHome(220)
		.station('return', { 'return-height': 40 })
		.decide('arm', 'fly', '')
		.station('response')
		.station('hover')
		.hover(37, NO_FAULTS)
		.decide('fly', 'fly', '')
		.fly(14, 16)
		.station('close', { 'pack-after': 3.71 })
		.end();

/** Stopped by a bad compass: metal near while turning, and the hover shows it. */
const stoppedSession = (aircraft: Aircraft, site: Site, pack: Pack, at: string) =>
	new Scribe('demo-stopped', 'Sluice inspection', aircraft, site, pack, PILOTS.jonas, at)
		.station('plan', { 'pack-voltage': 4.16 })
		.station('bench')
		.station('site')
		.station('compass')
		.siteField(41, { ...NO_FAULTS, offsets: false, metalNear: true })
		.compass(42, { ...NO_FAULTS, metalNear: true }, 'kept-aside')
		.station('power-up')
		.position(43, NO_FAULTS)
		.wind({ fromDeg: 230, speedMps: 2.6, gustMps: 4 })
		.wayHome(220)
		.station('return', { 'return-height': 40 })
		.decide('arm', 'fly', '')
		.station('response')
		.station('hover')
		.hover(44, { ...NO_FAULTS, headingErrorDeg: 46 })
		.decide(
			'fly',
			'hold',
			'Circling to the right after calibrating beside the steel sluice. Again tomorrow, on the grass.',
		)
		.end();

/** Stopped by the wind against the return speed. */
const windySession = (aircraft: Aircraft, site: Site, pack: Pack, at: string) =>
	new Scribe('demo-windy', 'Mapping the north shore', aircraft, site, pack, PILOTS.ines, at)
		.station('plan', { 'pack-voltage': 4.19 })
		.station('bench')
		.station('site')
		.station('compass')
		.siteField(51, { ...NO_FAULTS, offsets: false })
		.compass(52, NO_FAULTS, 'accepted')
		.station('power-up')
		.position(53, NO_FAULTS)
		.wind({ fromDeg: 265, speedMps: 11.2, gustMps: 15.8 })
		.wayHome(600)
		.station('return', { 'return-height': 60 })
		.decide('arm', 'hold', 'Gusts above the return speed. Try before eight tomorrow.')
		.end();

/** In the middle: the repaired aircraft on its way to its first hover. */
const openSession = (aircraft: Aircraft, site: Site, pack: Pack, at: string) =>
	new Scribe('demo-open', 'First flight after a repair', aircraft, site, pack, PILOTS.jonas, at)
		.station('plan', { 'pack-voltage': 4.17 })
		.station('bench', {}, ['orientation'])
		.station('site')
		.station('compass')
		.siteField(61, { ...NO_FAULTS, offsets: false });

/** The accelerometer of the made-up fleet changes with temperature, m/s² per °C, along z. */
const OFFSET_PER_C = 0.006;
const DAYS_BETWEEN = 4;
/** Temperatures of the mornings on which Dunlin's was measured before, °C. */
const COLD = [3, 24, 9] as const;

/** What was measured and done on an aircraft's bench before the season: its bench book. */
function benchBook(aircraft: Aircraft, site: Site, at: string, seed: number, mornings: readonly number[] = []) {
	const scribe = new Scribe(
		`bench-${aircraft.id}`,
		`Bench book of ${aircraft.name}`,
		aircraft,
		site,
		null,
		PILOTS.jonas,
		at,
		'bench',
	);
	const rng = seededRng(seed);
	const sixFaces = (temperatureC: number) => {
		const accel = recordPoses(
			{
				faces: ['belly', 'back', 'left', 'right', 'nose', 'tail', 'belly'],
				holdS: 2.5,
				offsetMps2: [0.2, -0.1, 0.25 + OFFSET_PER_C * (temperatureC - 16)],
				matrix: IDENTITY,
				noiseMps2: 0.03,
				sloppyDeg: 3,
			},
			rng,
		);
		const found = fitAccelerometer({ accel, rawUnit: 'm/s2' });
		const level = figure('level-raw', found.levelErrorDeg);
		scribe.bench(
			'six-faces',
			'accelerometer',
			'measured',
			`${aircraft.name.toLowerCase()}-six-faces.csv`,
			{
				...found,
				headline: `Raw level is off by ${found.levelErrorDeg?.toFixed(1)}°; corrected it is right`,
				figures: [level, ...accelKept(found)],
			},
			temperatureC,
		);
	};
	// Dunlin was measured on colder and warmer mornings first.
	for (const temperatureC of mornings) {
		sixFaces(temperatureC);
		scribe.wait(DAYS_BETWEEN);
	}
	const temperatureC = 16;
	for (const sensor of sensorsOf(aircraft)) {
		if (sensor === 'compass') continue;
		if (sensor === 'accelerometer') sixFaces(temperatureC);
		else if (sensor === 'gyro') {
			const gyro = recordGyro(
				{ forS: 30, biasRadps: [0.004, -0.003, 0.002], noiseRadps: 0.004, walk: 3e-5, warmUpRadps: 0, knocked: false },
				rng,
			);
			scribe.bench(
				'gyro',
				sensor,
				'measured',
				`${aircraft.name.toLowerCase()}-rest.csv`,
				reviewStillGyro({ gyro }),
				temperatureC,
			);
		} else if (sensor === 'link-loss') scribe.linkLoss(temperatureC);
		else scribe.guided(sensor, temperatureC);
	}
	return scribe;
}
