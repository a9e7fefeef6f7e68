import { area } from './message';

/** Due: findings by code. */
export const due = area('due', {
	'only-on-trouble': { text: 'No calibration on record; none is needed without a problem.' },
	'never-calibrated': { text: 'No accepted calibration on record.' },
	'dated-ahead': ({ day }: { day: string }) => ({
		text: `A calibration is dated ${day}, after today. A clock was wrong, so it does not count.`,
		next: 'Correct the clock of this device; if the entry is wrong, calibrate again.',
	}),
	event: ({ what, day, note }: { what: string; day: string; note: string }) => ({
		text: `${what} on ${day}${note ? `: ${note}` : ''}.`,
	}),
	'not-today': ({ day }: { day: string }) => ({ text: `Last done on ${day}, not today.` }),
	'not-here': {
		text: 'This place is magnetically disturbed. A calibration made here would include the disturbance.',
		next: 'Walk until the field agrees with the model, or fly with the values in force.',
	},
	temperature: ({ then, now }: { then: number; now: number }) => ({
		text: `Calibrated at ${then.toFixed(0)} °C; now ${now.toFixed(0)} °C.`,
	}),
	age: ({ days, flights }: { days: number; flights: number | null }) => ({
		text: `Done ${days < 1 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`}${flights === null ? '' : `, ${flights} flights ago`}.`,
	}),
	distance: ({ km }: { km: number }) => ({
		text: `Calibrated ${km < 10 ? km.toFixed(1) : km.toFixed(0)} km from here.`,
	}),
	height: ({ climb }: { climb: number }, show) => ({ text: `Calibrated ${show.length(climb, 0)} higher or lower.` }),
	'field-change': ({ shift }: { shift: number }) => ({
		text: `A typical leftover offset turns the heading here by ${shift.toFixed(1)}°.`,
	}),
});
