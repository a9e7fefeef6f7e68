import { photoSchema, type Photo } from '$lib/schema/records';
import { db } from './db';
import { newId } from './repository';

/** All photos of a thing, oldest first. */
export const listPhotos = (ofId: string): Promise<Photo[]> => db.photos.where('of.id').equals(ofId).sortBy('at');

/** Keeps a photo, checked by its schema. */
export async function addPhoto(photo: Omit<Photo, 'id' | 'at'>): Promise<Photo> {
	const whole = photoSchema.parse({ ...photo, id: newId(), at: new Date().toISOString() });
	await db.photos.add(whole);
	return whole;
}

/** Takes a photo away again; one of a session stays, since its record names it. */
export const removePhoto = ({ id, of }: Photo): Promise<void> =>
	of.table === 'sessions' ? Promise.resolve() : db.photos.delete(id);
