import { db } from '$lib/data/db';

const known = new Map<string, Promise<string>>();

/** An address under which this page can show a picture that is kept; empty where it is not here. */
export function pictureAddress(id: string): Promise<string> {
	let address = known.get(id);
	if (!address) {
		address = db.pictures
			.get(id)
			.then((picture) =>
				picture
					? URL.createObjectURL(new Blob([picture.bytes as BlobPart], { type: picture.type }))
					: ''
			)
			.catch(() => '');
		known.set(id, address);
		// one that is missing may come back with a step that is taken back
		void address.then((made) => {
			if (made === '') known.delete(id);
		});
	}
	return address;
}
