import { SCHOOLS } from '$lib/core/due/due';
import { LOSS_WORDS } from '$lib/core/radio/linkLossTest';
import { hasPart, showsData } from '$lib/core/aircraft/capabilities';
import { counted } from '$lib/words/counted';
import { toUnit, unitSymbol, type Quantity, type UnitSystem } from '$lib/words/units';
import { partSchema, type Aircraft } from '$lib/schema/records';
import { PART_WORDS } from './partWords';

/** As it was entered: no digits that nobody typed. */
const short = (si: number, quantity: Quantity, units: UnitSystem) =>
	`${Number(toUnit(si, quantity, units).toFixed(1))} ${unitSymbol(quantity, units)}`;

const about = ({ description, firmware, serial, manual }: Aircraft): string =>
	[
		description.replace(/\.$/, ''),
		firmware && `firmware ${firmware}`,
		serial && `serial number ${serial}`,
		manual && `manual: ${manual}`,
	]
		.filter(Boolean)
		.join('; ') || 'nothing entered yet';

function frame(craft: Aircraft): string {
	const parts = partSchema.options.filter((part) => hasPart(craft, part)).map((part) => PART_WORDS[part].toLowerCase());
	return [
		craft.rotors > 0 ? counted(craft.rotors, 'rotor') : '',
		counted(craft.compasses, 'compass', 'compasses'),
		craft.hasPosition ? 'position receiver' : 'no position receiver',
		...parts,
	]
		.filter(Boolean)
		.join(', ');
}

const radio = ({ controls = [] }: Aircraft): string =>
	controls.length > 0 ? counted(controls.length, 'position') : 'no control yet';

const lights = ({ lightTable = [] }: Aircraft): string =>
	lightTable.length > 0 ? counted(lightTable.length, 'line') : 'no line yet';

function linkLoss(craft: Aircraft): string {
	const shows = { logs: 'logs or live data', screen: 'its own screen', lights: 'lights alone' } as const;
	const given = shows[craft.gives ?? (showsData(craft) ? 'logs' : 'screen')];
	return `${given}; link lost: ${craft.lossAction ? LOSS_WORDS[craft.lossAction] : 'not read off yet'}`;
}

const limits = (craft: Aircraft, units: UnitSystem): string =>
	[
		counted(craft.lock.minSatellites, 'satellite'),
		`HDOP ${craft.lock.maxHdop}`,
		`held ${craft.lock.holdS} s`,
		`return at ${short(craft.returnHeightM, 'height', units)} and ${short(craft.returnSpeedMps, 'speed', units)}`,
	].join(', ');

const home = ({ flies = {} }: Aircraft): string => {
	const told = Object.keys(flies).length;
	return told > 0 ? `${counted(told, 'figure')} of its own` : 'as is usual for its kind';
};

const firstFlights = ({ ladder = {} }: Aircraft): string =>
	[
		ladder.firstHover === 'indoors' ? 'in a hall' : 'outdoors',
		ladder.firstHeight === 'low' ? 'a foot or two' : 'head height',
		ladder.takeOff === 'automatic' ? 'takes off by itself' : 'by hand',
	].join(', ');

const school = (craft: Aircraft): string => SCHOOLS[craft.school].name.toLowerCase();

/** What each part of an aircraft's form says while it is folded: one line, nothing that is not entered. */
export const brief = { about, frame, radio, lights, linkLoss, limits, home, firstFlights, school };
