import { session as say } from '$lib/messages/session';
import type { Entry } from '../../../schema/entries';
import type { Sensor } from '../../../schema/records';
import { SENSOR_RULES } from '../../due/rules';
import { sensorOf } from '../../evidence/about';
import { standingOf } from '../../evidence/standing';
import { reason } from '../../finding/reasons';
import { calibrationsInVain, inVainReasons } from '../inVain';
import type { TaskEvidence } from '../sessionRecord';
import { orAside, type Task } from '../task';
import { measuredState } from './measured';

/** Calibrations whose proof is how the aircraft hovers. */
export const VERIFIED_BY_HOVER: readonly Sensor[] = [
	'compass',
	'accelerometer',
	'gyro',
	'level',
	'mounting',
	'vision',
	'speed-controllers',
];

const inForce = (entry: Entry, { session }: TaskEvidence): boolean =>
	standingOf(entry, { of: 'session', rehearsal: session.kind === 'rehearsal' }, entry.at) === 'in-force';

/** The sensor that an entry calibrates, where a hover is what proves it. */
function calibrates(entry: Entry, evidence: TaskEvidence): Sensor | null {
	const { payload } = entry;
	const sensor = sensorOf(payload);
	if (!sensor || !VERIFIED_BY_HOVER.includes(sensor) || !inForce(entry, evidence)) return null;
	return 'verdict' in payload && payload.verdict === 'fail' ? null : sensor;
}

/** The test hover: it proves every calibration before it, and a calibration after it asks for it again. */
export const hover: Task = {
	station: 'hover',
	applies: ({ aircraft }) => aircraft.rotors > 0,
	state(evidence, record) {
		const { unverified } = evidence;
		const judged = measuredState(
			{
				task: 'hover',
				station: 'hover',
				page: 'hover',
				title: 'The test hover has not been reviewed',
				next: 'Review a hover',
				offered: [
					'This aircraft gives no log: watched by eye',
					'No room to hover here',
					'Nothing was calibrated or changed',
				],
			},
			record,
		);
		const inVain = inVainReasons(
			calibrationsInVain(
				record.entries.filter((entry) => entry.payload.kind === 'event' || inForce(entry, evidence)),
				(entry) => {
					const sensor = calibrates(entry, evidence);
					return sensor && SENSOR_RULES[sensor].name.toLowerCase();
				},
			),
		);
		const found = { ...judged, reasons: [...inVain, ...judged.reasons], next: inVain[0]?.next ?? judged.next };
		const flownAt = found.entry?.seq ?? -1;
		const since = new Set(
			record.entries.filter(({ seq }) => seq > flownAt).flatMap((entry) => calibrates(entry, evidence) ?? []),
		);
		if (!found.entry) for (const sensor of unverified) since.add(sensor);
		if (since.size === 0) return orAside(found, record);
		const names = [...since].map((sensor) => SENSOR_RULES[sensor].name.toLowerCase()).join(', ');
		return orAside(
			{
				...found,
				mark: 'unseen',
				title: found.entry ? `Hover again: calibrated since the hover: ${names}` : found.title,
				detail: `It verifies what was calibrated: ${names}. The values before stay in the record.`,
				reasons: [reason('caution', say('unverified', { names }), { value: since.size }), ...found.reasons],
				next: 'Review a hover',
				grade: null,
				entry: null,
			},
			record,
		);
	},
};
