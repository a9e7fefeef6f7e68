import { usualLayout } from '$lib/core/propulsion/motorWalk';
import type { Aircraft, Pack, Site, Venue, Wind } from '$lib/schema/records';
import type { Row, Values } from './instrument';

/** What is known where an instrument is opened: of the aircraft, its pack, the place, the day. */
export interface Known {
	aircraft: Aircraft;
	pack: Pack | null;
	site: Site | null;
	wind: Wind | null;
	venue: Venue | undefined;
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

const windOf = ({ wind }: Known): Part[] =>
	wind
		? [{ from: 'the wind of today', values: { windFrom: wind.fromDeg, wind: wind.speedMps, gust: wind.gustMps } }]
		: [];

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
		{
			from: known.aircraft.name,
			values: {
				action: known.aircraft.lossAction && LOSS[known.aircraft.lossAction],
				returnSpeed: known.aircraft.returnSpeedMps,
				returnHeightM: known.aircraft.returnHeightM,
				minDistanceM: known.aircraft.minReturnDistanceM,
			},
		},
		...(known.site?.obstacles?.length ? [{ from: known.site.name, values: { obstacles: obstaclesOf(known) } }] : []),
		...windOf(known),
	],
	'settings-audit': (known) => [
		{
			from: known.aircraft.name,
			values: {
				hasPosition: known.aircraft.hasPosition ? 'yes' : 'no',
				linkLoss: known.aircraft.lossAction && LOSS[known.aircraft.lossAction],
				returnHeightM: known.aircraft.returnHeightM,
				returnSpeed: known.aircraft.returnSpeedMps,
				minDistanceM: known.aircraft.minReturnDistanceM,
				minSatellites: known.aircraft.lock.minSatellites,
			},
		},
		{ from: 'this session', values: { venue: known.venue && (known.venue === 'roof' ? 'indoors' : 'outdoors') } },
		...(known.site?.obstacles?.length ? [{ from: known.site.name, values: { tallest: tallest(known) } }] : []),
		...windOf(known).map(({ from, values: { wind, gust } }) => ({ from, values: { wind, gust } })),
	],
	pack: ({ pack }) =>
		pack
			? [
					{
						from: pack.name,
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
						from: site.name,
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
						from: name,
						values: {
							nozzles: Array.from({ length: nozzles }, (_, k): Row => ({ name: `nozzle ${k + 1}`, litres: null })),
						},
					},
				]
			: [],
	'ground-response': ({ aircraft }) => [
		{
			from: aircraft.name,
			values: { layout: aircraft.layout ?? usualLayout(aircraft.rotors), spin: aircraft.spin },
		},
	],
};

/**
 * What an instrument's form opens with where something is known; null where nothing is. Nothing is invented: a field nobody
 * knows stays empty.
 */
export function knownFor(instrument: string, known: Known): Filled | null {
	const { aircraft } = known;
	const last = aircraft.forms?.[instrument];
	const parts = [
		...(PARTS[instrument]?.(known) ?? []),
		...(last ? [{ from: `${aircraft.name}, as last time`, values: last }] : []),
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
