import type { Entry, EntryPayload, EventKind } from '../../schema/entries';
import type { Sensor, StationId } from '../../schema/records';
import { sensorOf } from '../evidence/about';
import { isInsufficient } from '../evidence/standing';

/** Stages at which the aircraft is armed: a no-go there stops everything. */
const ARMED_STAGES: readonly StationId[] = ['response', 'hover', 'fly'];
/** Tried there, and no sign of an aircraft that must not fly. */
const NO_STOP: readonly string[] = ['righting-tried', 'self-righting', 'finder', 'ground-response'];

/** Events that log what was changed after a stop: before one of them nothing goes on. */
export const RELEASES: readonly EventKind[] = ['part', 'settings', 'firmware', 'new'];

/** What a stop takes back beside the answer itself: the battery is unplugged and the propellers come off. */
export const STOPPED_TASKS: readonly string[] = ['props-on'];

/** Whether an entry is a no-go of an armed aircraft: throttle down, disarm, unplug, propellers off. */
export function isStop({ station, payload }: Pick<Entry, 'station' | 'payload'>): boolean {
	if (!ARMED_STAGES.includes(station)) return false;
	if (payload.kind === 'check') return payload.outcome === 'failed' && !NO_STOP.includes(payload.task);
	return (
		payload.kind === 'test' &&
		payload.verdict === 'fail' &&
		!NO_STOP.includes(payload.task) &&
		!isInsufficient(payload.reasons)
	);
}

/** The remedy of an answer that was wrong itself: nothing was put right, and nothing is taken back. */
export const ENTERED_BY_MISTAKE = 'Entered by mistake';

/** Calibrations that may cure what a hover showed: recorded after it they are the change that it waits for. */
const CURES_HOVER: readonly (Sensor | null)[] = ['compass', 'accelerometer', 'gyro', 'level', 'mounting', 'vision'];

/** Whether an entry is the change that a stop waits for: after a failed hover a calibration is one. */
export const curesStop = (stop: Pick<Entry, 'payload'>, payload: EntryPayload): boolean =>
	stop.payload.kind === 'test' &&
	stop.payload.task === 'hover' &&
	(payload.kind === 'calibration' || payload.kind === 'test') &&
	payload.verdict !== 'fail' &&
	CURES_HOVER.includes(sensorOf(payload));
