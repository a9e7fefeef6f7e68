/** Exact by definition (international yard and pound agreement, 1959; ISO 80000). */
const METRES_PER_FOOT = 0.3048;
const METRES_PER_MILE = 1609.344;
const METRES_PER_NAUTICAL_MILE = 1852;
const SECONDS_PER_HOUR = 3600;

/** `kmh`: metric with speeds by the hour; `nautical`: feet, nautical miles and knots, as aviation has them. */
export type UnitSystem = 'metric' | 'kmh' | 'nautical' | 'imperial';
export type Quantity = 'height' | 'distance' | 'speed' | 'temperature';

/** Units of figures in SI that a pilot may wish to read in others; degrees Celsius stay: some are temperatures, others differences of them. */
export const QUANTITY_OF_UNIT: Readonly<Record<string, Quantity | undefined>> = { m: 'height', 'm/s': 'speed' };

interface Unit {
	symbol: string;
	perSi: number;
	offset: number;
	digits: number;
}

const unit = (symbol: string, perSi: number, digits: number, offset = 0): Unit => ({ symbol, perSi, digits, offset });

const UNITS: Record<UnitSystem, Record<Quantity, Unit>> = {
	metric: {
		height: unit('m', 1, 1),
		distance: unit('km', 1e-3, 1),
		speed: unit('m/s', 1, 1),
		temperature: unit('°C', 1, 0),
	},
	kmh: {
		height: unit('m', 1, 1),
		distance: unit('km', 1e-3, 1),
		speed: unit('km/h', SECONDS_PER_HOUR / 1000, 1),
		temperature: unit('°C', 1, 0),
	},
	nautical: {
		height: unit('ft', 1 / METRES_PER_FOOT, 0),
		distance: unit('NM', 1 / METRES_PER_NAUTICAL_MILE, 2),
		speed: unit('kn', SECONDS_PER_HOUR / METRES_PER_NAUTICAL_MILE, 1),
		temperature: unit('°C', 1, 0),
	},
	imperial: {
		height: unit('ft', 1 / METRES_PER_FOOT, 0),
		distance: unit('mi', 1 / METRES_PER_MILE, 1),
		speed: unit('mph', SECONDS_PER_HOUR / METRES_PER_MILE, 1),
		temperature: unit('°F', 1.8, 0, 32),
	},
};

/** A value in SI (metres, m/s, °C) brought into the pilot's unit. */
export function toUnit(si: number, quantity: Quantity, system: UnitSystem): number {
	const { perSi, offset } = UNITS[system][quantity];
	return si * perSi + offset;
}

/** A value in the pilot's unit brought back into SI. */
export function fromUnit(value: number, quantity: Quantity, system: UnitSystem): number {
	const { perSi, offset } = UNITS[system][quantity];
	return (value - offset) / perSi;
}

/** The symbol of a quantity in a system of units. */
export const unitSymbol = (quantity: Quantity, system: UnitSystem): string => UNITS[system][quantity].symbol;

/** Value and unit as read by the pilot, e.g. "4.6 m/s"; small metric distances are given in metres. */
export function formatQuantity(si: number, quantity: Quantity, system: UnitSystem): string {
	const { symbol, digits } = UNITS[system][quantity];
	return `${toUnit(si, quantity, system).toFixed(digits)} ${symbol}`;
}

/** The same in whole units, for distances that are planned or paced. */
export const wholeQuantity = (si: number, quantity: Quantity, system: UnitSystem): string =>
	`${toUnit(si, quantity, system).toFixed(0)} ${UNITS[system][quantity].symbol}`;
