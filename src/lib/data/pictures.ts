import { db, type Picture } from './db';

/** The pictures of an assignment, in the order they came. */
export function listPictures(assignment: string): Promise<Picture[]> {
	return db.pictures.where({ assignment }).sortBy('order');
}

/** Keeps a picture behind those that are there. */
export async function addPicture(values: Omit<Picture, 'id' | 'order'>): Promise<Picture> {
	return db.transaction('rw', db.pictures, async () => {
		const others = await listPictures(values.assignment);
		const order = Math.max(0, ...others.map((other) => other.order)) + 1;
		const picture: Picture = { ...values, id: crypto.randomUUID(), order };
		await db.pictures.add(picture);
		return picture;
	});
}

export async function changePicture(
	id: string,
	values: Partial<Pick<Picture, 'alt' | 'caption' | 'credit' | 'licence' | 'source'>>
): Promise<void> {
	await db.pictures.update(id, values);
}

export async function putPicture(picture: Picture): Promise<void> {
	await db.pictures.put(picture);
}

/** Deletes a picture and gives it back, so that this can be undone. */
export async function deletePicture(id: string): Promise<Picture | undefined> {
	return db.transaction('rw', db.pictures, async () => {
		const picture = await db.pictures.get(id);
		await db.pictures.delete(id);
		return picture;
	});
}
