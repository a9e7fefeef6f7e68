import { usualLayout } from '$lib/core/propulsion/motorWalk';
import { originWords } from '$lib/core/facts/words';
import { isDefault, valueOf, type Facts } from '$lib/core/facts/facts';
import type { FactKey } from '$lib/schema/facts';
import type { Aircraft, Pack, Site } from '$lib/schema/records';
import type { Row, Values } from './instrument';

/** What is known where an instrument is opened: of the aircraft, its pack, the place, the day. */
export interface Known {
	aircraft: Aircraft;
	pack: Pack | null;
	site: Site | null;
	facts: Facts;
}

/** What a form opens with, and from where each of it is known. */
export interface Filled {
	values: Values;
	from: Record<string, string>;
}

/** What one source knows of a form's fields; what it does not know is left out. SI units, as forms keep them. */
interface Part {
	from: string;
	values: Record<string, number | string | readonly Row[] | null | undefined>;
}

const LOSS = { stop: 'cut-motors', return: 'return', land: 'land', hover: 'hover' } as const;
const CHEMISTRY = { lipo: 'lipo', 'high-voltage': 'lihv', 'lithium-ion': 'liion' } as const;

/** Fields of a form from the facts in force, each with how it is known; a default fills none: a form is not answered by it. */
const fromFacts = (facts: Facts, fields: Record<string, FactKey>): Part[] =>
	Object.entries(fields).flatMap(([field, key]) => {
		const statement = facts.of(key);
		if (!statement || isDefault(facts, key)) return [];
		return [{ from: originWords(statement), values: { [field]: statement.value } }];
	});

/** The failsafe action in the words of a form. */
function actionOf(facts: Facts, field: string): Part[] {
	const [action, statement] = [valueOf(facts, 'failsafeAction'), facts.of('failsafeAction')];
	return action && statement ? [{ from: originWords(statement), values: { [field]: LOSS[action] } }] : [];
}

const obstaclesOf = ({ site }: Known): Row[] =>
	(site?.obstacles ?? []).map(({ bearingDeg, distanceM, heightM, widthM = null }) => ({
		bearingDeg,
		distanceM,
		heightM,
		widthM,
	}));

const tallest = ({ site }: Known): number | undefined =>
	site?.obstacles?.reduce((high, { heightM }) => Math.max(high, heightM), 0);

/** What each instrument takes from what is known. */
const PARTS: Record<string, (known: Known) => Part[]> = {
	'way-home': (known) => [
		...actionOf(known.facts, 'action'),
		...fromFacts(known.facts, {
			returnSpeed: 'returnSpeedMps',
			returnHeightM: 'returnAltitudeM',
			minDistanceM: 'minReturnDistanceM',
			climb: 'climbMps',
			descent: 'descentMps',
			airspeedMax: 'airspeedMaxMps',
			speedKind: 'speedReference',
			climbFirst: 'climbsFirst',
			windFrom: 'windFromDeg',
			wind: 'windMps',
			gust: 'gustMps',
		}),
		...(known.site?.obstacles?.length
			? [{ from: `from ${known.site.name}`, values: { obstacles: obstaclesOf(known) } }]
			: []),
	],
	'settings-audit': (known) => [
		{ from: `profile of ${known.aircraft.name}`, values: { hasPosition: known.aircraft.hasPosition ? 'yes' : 'no' } },
		...actionOf(known.facts, 'linkLoss'),
		...fromFacts(known.facts, {
			returnHeightM: 'returnAltitudeM',
			returnSpeed: 'returnSpeedMps',
			descent: 'descentMps',
			minDistanceM: 'minReturnDistanceM',
			minSatellites: 'minSatellites',
			wind: 'windMps',
			gust: 'gustMps',
		}),
		{
			from: 'from this session',
			values: { venue: valueOf(known.facts, 'venue') === 'roof' ? 'indoors' : 'outdoors' },
		},
		...(known.site?.obstacles?.length
			? [{ from: `from ${known.site.name}`, values: { tallest: tallest(known) } }]
			: []),
	],
	mounting: ({ facts }) =>
		fromFacts(facts, { nowRoll: 'boardRollDeg', nowPitch: 'boardPitchDeg', nowYaw: 'boardYawDeg' }),
	'compass-module': ({ facts }) =>
		fromFacts(facts, { nowRoll: 'compassRollDeg', nowPitch: 'compassPitchDeg', nowYaw: 'compassYawDeg' }),
	pack: ({ pack }) =>
		pack
			? [
					{
						from: `from ${pack.name}`,
						values: {
							chemistry: pack.chemistry && pack.chemistry !== 'percent' ? CHEMISTRY[pack.chemistry] : undefined,
							ratedMah: pack.capacityMah,
							cycles: pack.cycles,
							cells: Array.from({ length: pack.cells }, (): Row => ({ v: null })),
						},
					},
				]
			: [],
	ceiling: ({ site }) =>
		site
			? [
					{
						from: `from ${site.name}`,
						values: {
							ceiling: site.ceilingM,
							...(site.obstacles?.length
								? { things: site.obstacles.map(({ name, heightM }): Row => ({ name, heightM })) }
								: {}),
						},
					},
				]
			: [],
	flow: ({ aircraft: { name, nozzles } }) =>
		nozzles
			? [
					{
						from: `from ${name}`,
						values: {
							nozzles: Array.from({ length: nozzles }, (_, k): Row => ({ name: `nozzle ${k + 1}`, litres: null })),
						},
					},
				]
			: [],
	'ground-response': ({ aircraft }) => [
		{
			from: `profile of ${aircraft.name}`,
			values: { layout: aircraft.layout ?? usualLayout(aircraft.rotors), spin: aircraft.spin },
		},
		// As the profile and the drawings take it where nothing is said.
		...(aircraft.spin ? [] : [{ from: 'default', values: { spin: 'front-inward' } }]),
	],
};

/**
 * What an instrument's form opens with where something is known; null where nothing is. Nothing is invented: a field nobody
 * knows stays empty.
 */
export function knownFor(instrument: string, known: Known): Filled | null {
	const { aircraft } = known;
	const last = aircraft.forms?.[instrument];
	// A fact in force stands above what was typed the last time.
	const parts = [
		...(last ? [{ from: `${aircraft.name}, as last time`, values: last }] : []),
		...(PARTS[instrument]?.(known) ?? []),
	];
	const filled: Filled = { values: {}, from: {} };
	for (const { from, values } of parts)
		for (const [id, value] of Object.entries(values)) {
			if (value === undefined || value === null) continue;
			filled.values = { ...filled.values, [id]: value };
			filled.from[id] = from;
		}
	return Object.keys(filled.from).length > 0 ? filled : null;
}
