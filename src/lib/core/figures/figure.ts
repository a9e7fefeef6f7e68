import type { RecordedFigure } from '../../schema/entries';
import { FIGURES, type FigureName, type FigureRule } from './catalogue';

/** A value that a finding shows and the record keeps, SI units and degrees as its rule has them. */
export interface Figure extends RecordedFigure {
	id: string;
	/** Digits after the point; without them the uncertainty decides. */
	digits?: number;
	note?: string;
}

/** What a figure has besides its value. */
interface More {
	sigma?: number | null | undefined;
	digits?: number;
	note?: string;
	/** What it belongs to where there are several: its id, and its name where that is another. */
	part?: string;
	name?: string;
	/** Where the catalogue has none: "of 12". */
	unit?: string;
}

const slug = (text: string): string =>
	text
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');

/** The id of a figure of a part: `temperature/motor-1`. */
export const figureId = (name: FigureName, part?: string): string =>
	part === undefined ? name : `${name}/${slug(part)}`;

/** A figure of the catalogue with its value; null where it could not be found. */
export function figure(name: FigureName, value: number | null, more: More = {}): Figure {
	const rule: FigureRule = FIGURES[name];
	const { sigma, digits, note, part, unit = rule.unit } = more;
	return {
		id: figureId(name, part),
		label: rule.label.replace('{part}', more.name ?? part ?? ''),
		value,
		unit,
		...(typeof sigma === 'number' ? { sigma } : {}),
		...(digits === undefined ? {} : { digits }),
		...(note === undefined ? {} : { note }),
	};
}

/** Rules by the labels of records that were made before figures had ids, the exact ones first. */
const EARLIER = (Object.entries(FIGURES) as [FigureName, FigureRule][]).flatMap(([name, { label, unit, was = [] }]) =>
	[label, ...was].map((text) => {
		const [head, tail] = text.split('{part}');
		return { name, unit, head, tail };
	}),
);
const EXACT = EARLIER.filter(({ tail }) => tail === undefined);
const OF_PARTS = EARLIER.filter(({ tail }) => tail !== undefined);
/** Units that said how many there are. */
const unitAlike = (rule: string, unit: string) => rule === unit || (rule === '' && /^of \d+$|^reversed$/.test(unit));

/** The id of a figure of an earlier record by its label and unit; its label where the catalogue knows none. */
function earlierId(label: string, unit: string): string {
	const exact = EXACT.find((rule) => rule.head === label && unitAlike(rule.unit, unit));
	if (exact) return exact.name;
	const of = OF_PARTS.find(
		({ head, tail = '', ...rule }) =>
			unitAlike(rule.unit, unit) &&
			label.startsWith(head) &&
			label.endsWith(tail) &&
			label.length > head.length + tail.length,
	);
	if (!of) return `label/${slug(label)}`;
	const part = label.slice(of.head.length, label.length - (of.tail?.length ?? 0));
	return figureId(of.name, EARLIER_PART[of.name]?.(part) ?? part);
}
/** Parts were named with where they sit: "Motor 1, front left", "Propeller: front left". */
const EARLIER_PART: Partial<Record<FigureName, (part: string) => string>> = {
	temperature: (part) => part.split(',')[0].replace(/^Speed controller$/, 'Speed controllers'),
	inspected: (part) => part.split(': ').at(-1) ?? part,
};

/** The id of a recorded figure, whatever the version that wrote it. */
export const idOf = ({ id, label, unit }: Pick<RecordedFigure, 'id' | 'label' | 'unit'>): string =>
	id ?? earlierId(label, unit);

/** The figure of an id among recorded ones. */
export const findFigure = (
	figures: readonly RecordedFigure[],
	name: FigureName,
	part?: string,
): RecordedFigure | undefined => figures.find((one) => idOf(one) === figureId(name, part));

/** Its value; null where there is none. */
export const valueIn = (figures: readonly RecordedFigure[], name: FigureName, part?: string): number | null =>
	findFigure(figures, name, part)?.value ?? null;

/** The rule of a figure by its id; null for one of an earlier record that the catalogue does not know. */
export const ruleOf = (id: string): FigureRule | null =>
	(FIGURES as Record<string, FigureRule>)[id.split('/')[0]] ?? null;
