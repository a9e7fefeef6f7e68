import { area } from './message';

/** Due: findings by code. */
export const due = area('due', {
	'only-on-trouble': { text: 'Nothing is on record, and nothing is needed without trouble.' },
	'never-calibrated': { text: 'Nothing accepted is on record.' },
	'dated-ahead': ({ dayOfOf }: { dayOfOf: string }) => ({
		text: `A calibration on record is dated ${dayOfOf}, after today: a clock was wrong, so it does not count.`,
		next: 'Set the clock of this device right; if the entry is wrong, calibrate again.',
	}),
	event: ({ what, day, note }: { what: string; day: string; note: string }) => ({
		text: `${what} on ${day}${note ? `: ${note}` : ''}.`,
	}),
	'not-today': ({ dayOfOf }: { dayOfOf: string }) => ({ text: `Last done on ${dayOfOf}, not today.` }),
	'not-here': {
		text: 'Not here: the field of this place is disturbed. A calibration made here would carry the place along.',
		next: 'Walk on until the field agrees with the model, or fly with the values in force.',
	},
	temperature: ({ then, now }: { then: number; now: number }) => ({
		text: `Calibrated at ${then.toFixed(0)} °C, now it is ${now.toFixed(0)} °C.`,
	}),
	age: ({ days, flights }: { days: number; flights: number | null }) => ({
		text: `Done ${days < 1 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`}${flights === null ? '' : `, ${flights} flights ago`}.`,
	}),
	distance: ({ km }: { km: number }) => ({
		text: `Calibrated ${km < 10 ? km.toFixed(1) : km.toFixed(0)} km from here.`,
	}),
	height: ({ climb }: { climb: number }, show) => ({ text: `Calibrated ${show.length(climb, 0)} higher or lower.` }),
	'field-change': ({ shift }: { shift: number }) => ({
		text: `With the field of this place a usual leftover offset turns the heading by ${shift.toFixed(1)}°.`,
	}),
});
