import { photoSchema, type Photo, type StationId } from '$lib/schema/records';
import { asOne, db } from './db';
import { appendEntry } from './repository';
import { newId } from './newId';

/** All photos of a thing, oldest first. */
export const listPhotos = (ofId: string): Promise<Photo[]> => db.photos.where('of.id').equals(ofId).sortBy('at');

/** Saves a photo, checked by its schema; of a session together with the entry that names it and its checksum, both or neither. */
export async function addPhoto(photo: Omit<Photo, 'id' | 'at'>, station?: StationId): Promise<Photo> {
	const whole = photoSchema.parse({ ...photo, id: newId(), at: new Date().toISOString() });
	const { id, caption, sha256, task, of } = whole;
	await asOne(async () => {
		await db.photos.add(whole);
		const session = station && task && of.table === 'sessions' ? await db.sessions.get(of.id) : undefined;
		if (session && station && task)
			await appendEntry(session.id, station, session.pilot, { kind: 'photo', task, photoId: id, caption, sha256 });
	});
	return whole;
}

/** Takes a photo away again; one of a session stays, since its record names it. */
export const removePhoto = ({ id, of }: Photo): Promise<void> =>
	of.table === 'sessions' ? Promise.resolve() : db.photos.delete(id);
