import { withoutPicture, withPicture } from '$lib/core/deliver';
import type { Picture } from '$lib/data/db';
import { deletePicture, putPicture } from '$lib/data/pictures';
import { changeTakeDoc } from '$lib/data/takes';
import { history } from '../frame/history.svelte';
import { keepPicture } from '../parts/keep-picture';
import type { ReadPicture } from '../parts/read-picture';

/** Keeps a picture and puts it into a section of a take, as one step that can be taken back. */
export async function addPictureAsStep(
	assignment: string,
	read: ReadPicture,
	into: { readonly take: string; readonly section: string } | null
): Promise<void> {
	let made: Picture | null = null;
	await history.run({
		label: `Brought in ${read.name}`,
		redo: async () => {
			if (made) await putPicture(made);
			else made = await keepPicture(assignment, read);
			const picture = made;
			if (into) await changeTakeDoc(into.take, (doc) => withPicture(doc, into.section, picture));
		},
		undo: async () => {
			const id = made?.id;
			if (!id) return;
			if (into) await changeTakeDoc(into.take, (doc) => withoutPicture(doc, id));
			made = (await deletePicture(id)) ?? made;
		}
	});
}

/** Deletes a picture from the assignment and from the takes it stands in. */
export async function deletePictureAsStep(
	picture: Picture,
	takes: readonly string[]
): Promise<void> {
	let gone = picture;
	const before = new Map<string, Awaited<ReturnType<typeof changeTakeDoc>>>();
	await history.run({
		label: `Deleted ${picture.name}`,
		redo: async () => {
			for (const take of takes)
				before.set(take, await changeTakeDoc(take, (doc) => withoutPicture(doc, picture.id)));
			gone = (await deletePicture(picture.id)) ?? gone;
		},
		undo: async () => {
			await putPicture(gone);
			for (const [take, changed] of before)
				if (changed)
					await changeTakeDoc(take, (now) =>
						// where the text was changed since, the picture waits to be placed again
						JSON.stringify(now) === JSON.stringify(changed.after) ? changed.before : now
					);
		}
	});
}
