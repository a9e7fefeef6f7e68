import type { Instrument } from './instrument';
import { balance } from './balance';
import { repeats } from './before-after';
import { ceiling } from './ceiling';
import { order } from './channel-order';
import { compassModule } from './compass-module';
import { curve } from './curve';
import { feed } from './feed';
import { flow } from './flow';
import { focus } from './focus';
import { response } from './ground-response';
import { gyro } from './gyro';
import { headingCheck } from './heading-check';
import { horizon } from './horizon';
import { interference } from './interference';
import { level } from './level';
import { levelFlight } from './level-flight';
import { mounting } from './mounting';
import { pack } from './pack';
import { pair } from './pair';
import { pressure } from './pressure';
import { link } from './serial-line';
import { settings } from './settings-audit';
import { siteField } from './site-field';
import { sound } from './sound';
import { sixFaces } from './six-faces';
import { sticks } from './sticks';
import { straightLeg } from './straight-leg';
import { survey } from './survey';
import { switches } from './switches';
import { texture } from './texture';
import { turnedHovers } from './turned-hovers';
import { vibration } from './vibration';
import { wayHome } from './way-home';

type Listed = Pick<Instrument, 'id' | 'title' | 'group' | 'does' | 'calls'>;

/** The three instruments that measure live and have a sheet of their own. */
export const LIVE = [
	{
		id: 'compass',
		title: 'Compass',
		group: 'Compass',
		does: 'Offsets, bending, mounting, dip, and how well the heading is known.',
		calls: 'magnetometer calibration hard iron soft iron heading turn ellipsoid north',
	},
	{
		id: 'position',
		title: 'Position',
		group: 'Position and flight',
		does: 'Fix, satellites, lock held, scatter, home, broken lines.',
		calls: 'gps gnss satellites lock fix hdop home NMEA receiver sky',
	},
	{
		id: 'hover',
		title: 'Hover',
		group: 'Position and flight',
		does: 'Bubble, drift, circling and the compass error behind it, height.',
		calls: 'hover wander circle circling drift track position hold bubble height',
	},
] as const satisfies readonly Listed[];
export type LiveId = (typeof LIVE)[number]['id'];

export const INSTRUMENTS: readonly Instrument[] = [
	sixFaces,
	gyro,
	level,
	levelFlight,
	mounting,
	vibration,
	pressure,
	siteField,
	survey,
	interference,
	pair,
	headingCheck,
	compassModule,
	wayHome,
	settings,
	response,
	turnedHovers,
	straightLeg,
	link,
	sticks,
	order,
	switches,
	curve,
	pack,
	balance,
	sound,
	flow,
	feed,
	ceiling,
	horizon,
	focus,
	texture,
	repeats,
];

const GROUPS: readonly Instrument['group'][] = [
	'Sensors',
	'Compass',
	'Position and flight',
	'Radio',
	'Power and balance',
	'Payload and camera',
	'Records',
];

const ALL: readonly Listed[] = [...LIVE, ...INSTRUMENTS];

/** An instrument by its id. */
export const findInstrument = (id: string): Instrument | undefined => INSTRUMENTS.find((i) => i.id === id);

/** What the shelf says of an instrument, one of the live ones too. */
export const findListed = (id: string): Listed | undefined => ALL.find((listed) => listed.id === id);

/** Words of a text, lower case, without endings that a searcher may leave out. */
const words = (text: string) =>
	text
		.toLowerCase()
		.split(/[^a-z0-9°/]+/)
		.filter(Boolean);

/** How well an instrument meets what was asked: every word asked must begin a word of it; titles count most. */
function fit({ title, does, calls }: Listed, asked: readonly string[]): number {
	const [inTitle, inRest] = [words(title), words(`${calls} ${does}`)];
	let score = 0;
	for (const word of asked) {
		if (inTitle.some((w) => w.startsWith(word))) score += 3;
		else {
			const at = inRest.findIndex((w) => w.startsWith(word));
			if (at < 0) return 0;
			// What it is called first comes first.
			score += 1 + 1 / (1 + at);
		}
	}
	return score;
}

/** Instruments by what a pilot would call them, best first; all of them, by group, for an empty search. */
export function searchInstruments(text: string): { group: string; listed: Listed[] }[] {
	const asked = words(text);
	if (asked.length === 0) return GROUPS.map((group) => ({ group, listed: ALL.filter((i) => i.group === group) }));
	const found = ALL.map((listed) => ({ listed, score: fit(listed, asked) }))
		.filter(({ score }) => score > 0)
		.sort((a, b) => b.score - a.score);
	return found.length > 0 ? [{ group: 'Found', listed: found.map(({ listed }) => listed) }] : [];
}
