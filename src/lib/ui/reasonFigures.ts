import { wanted } from '$lib/core/finding/grade';
import type { Reason } from '$lib/schema/common';
import { showBeside, showNumber, showShare } from '$lib/words/figures';
import { QUANTITY_OF_UNIT, toUnit, unitSymbol, type UnitSystem } from '$lib/words/units';

/** Value and limit of a reason in the pilot's units: "0.85 · limit 0.5 m", "15 · min 8 satellites"; empty where it has neither. */
export function reasonFigures(reason: Reason, units: UnitSystem): string {
	const { value, limit, unit = '' } = reason;
	// A number alone, without a unit or a limit, tells a pilot nothing.
	if (limit === undefined && unit === '') return '';
	const quantity = QUANTITY_OF_UNIT[unit];
	const own = (si: number | undefined) => (si === undefined || !quantity ? si : toUnit(si, quantity, units));
	const symbol = quantity ? unitSymbol(quantity, units) : unit;
	/** Shares are shown in per cent: "of the model" is a unit that a share has, "of 255" is not. */
	const isShare = /^of \D/.test(unit);
	const close = symbol === '°' ? symbol : '';
	const told = (text: string, raw: number) => (isShare ? showShare(raw) : `${text}${close}`);
	const [shown, bound] = [own(value), own(limit)];
	const parts = [
		...(shown === undefined ? [] : [told(showBeside(shown, bound), shown)]),
		...(bound === undefined
			? []
			: [`${wanted(reason) === 'at least' ? 'min' : 'limit'} ${told(showNumber(bound), bound)}`]),
	];
	return parts.length === 0 ? '' : `${parts.join(' · ')}${close ? '' : ` ${symbol}`}`.trimEnd();
}
