import { aircraftSchema, type SettingsSnapshot } from '$lib/schema/records';
import { settingChanges } from '$lib/core/settings/sheet';
import { asOne, db } from './db';
import { newId } from './newId';
import { noteEvent, saveAircraft } from './repository';

const NAMED = 3;

/**
 * Saves a settings sheet with its aircraft and, where it differs from the sheet before it, the event that this is: both or neither.
 * Resolves with the number of settings that changed.
 *
 * @throws Error where the aircraft is not on this device any more
 */
export function saveSettingsSheet(
	aircraftId: string,
	{ values, note }: Pick<SettingsSnapshot, 'values' | 'note'>,
): Promise<number> {
	return asOne(async () => {
		const stored = await db.aircraft.get(aircraftId);
		if (!stored) throw new Error('This aircraft is not on this device any more.');
		const aircraft = aircraftSchema.parse(stored);
		const { firmware, snapshots = [] } = aircraft;
		const last = snapshots.at(-1);
		const changed = last ? settingChanges(last.values, values) : [];
		const sheet = { id: newId(), at: new Date().toISOString(), note, firmware, values };
		await saveAircraft({ ...aircraft, snapshots: [...snapshots, sheet] });
		if (changed.length > 0) {
			const names = changed.slice(0, NAMED).map(({ name }) => name);
			const more = changed.length > NAMED ? ` and ${changed.length - NAMED} more` : '';
			await noteEvent(aircraftId, { what: 'settings', note: `${names.join(', ')}${more}` });
		}
		return changed.length;
	});
}
