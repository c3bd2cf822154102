import { ARCHIVE_VERSION, type Archive, type ArchiveManifest } from '$lib/core/deliver';
import { NO_UNIT_EDITS } from '$lib/core/notes';
import { sketchOf, type Article, type PageJudgement } from '$lib/core/pages';
import type { ClientProfile } from '$lib/core/clients';
import type { WholeAssignment } from './assignments';
import type { Client, StoredVersion } from './db';

/** A whole assignment as an archive. Ids leave as they are, so that plan and takes keep their ties. */
export function archiveOf({
	assignment,
	pages,
	pageSources,
	notes,
	plan,
	takes,
	versions,
	pictures,
	points,
	awaited,
	listed,
	client,
	links
}: WholeAssignment): Archive {
	const manifest: ArchiveManifest = {
		format: 'corvan-assignment',
		version: ARCHIVE_VERSION,
		assignment: {
			id: assignment.id,
			createdAt: assignment.createdAt,
			title: assignment.title,
			keyword: assignment.keyword,
			targetWords: assignment.targetWords,
			brief: assignment.brief,
			strikeRules: assignment.strikeRules,
			edits: structuredClone(assignment.edits) as ArchiveManifest['assignment']['edits'],
			proof: assignment.proof,
			delivery: assignment.delivery,
			listed: listed.map(({ phrase, volume }) => ({ phrase, volume }))
		},
		client: client && { id: client.id, profile: profileOf(client), links },
		pages: pages.map(({ id, name, address, origin, counted, struck, judgement, result }, i) => ({
			id,
			file: `pages/${String(i + 1).padStart(2, '0')}.${origin === 'text' ? 'md' : 'html'}`,
			name,
			address,
			origin,
			counted,
			struck,
			result,
			judgement: { ...judgement, reasons: [...judgement.reasons] }
		})),
		notes: notes.map(({ id, kind, name, text, unitEdits }) => ({
			id,
			kind,
			name,
			text,
			unitEdits: structuredClone(unitEdits ?? NO_UNIT_EDITS)
		})),
		awaited: awaited.map(({ address, title, reason, result }) => ({
			address,
			title,
			reason,
			result
		})),
		plan: plan ? (structuredClone(plan.plan) as ArchiveManifest['plan']) : null,
		takes: takes.map(({ id, name, doc }) => ({
			id,
			name,
			doc: structuredClone(doc) as ArchiveManifest['takes'][number]['doc'],
			points: points
				.filter(({ take }) => take === id)
				.map(({ at, words, standing, placed, gaps }) => ({ at, words, standing, placed, gaps }))
		})),
		versions: versions.map((stored) => {
			const { assignment: _, ...version } = stored;
			return structuredClone(version);
		}) as unknown as ArchiveManifest['versions'],
		pictures: pictures.map(
			({ id, name, type, width, height, alt, caption, credit, licence, source }, i) => ({
				id,
				file: `pictures/${String(i + 1).padStart(2, '0')}.${type === 'image/png' ? 'png' : 'jpg'}`,
				name,
				type: type as ArchiveManifest['pictures'][number]['type'],
				width,
				height,
				alt,
				caption,
				credit,
				licence,
				source
			})
		)
	};
	return {
		manifest,
		pageSources: Object.fromEntries(pageSources.map(({ id, source }) => [id, source])),
		pictureBytes: Object.fromEntries(pictures.map(({ id, bytes }) => [id, bytes]))
	};
}

function profileOf(client: Client): ClientProfile {
	const { id: _, createdAt: __, updatedAt: ___, ...profile } = client;
	return profile;
}

/** What cleaning a page of an archive gave. */
export interface CleanedPage {
	readonly id: string;
	readonly article: Article;
	readonly sign: string;
	readonly judgement: PageJudgement;
}

/**
 * An archive as an assignment. Where the assignment it came from is still here, everything
 * gets a new id, so that both can stand side by side; ties inside are moved along. Elsewhere
 * ids stay, and writing the archive again gives the same file.
 */
export function wholeFrom(
	{ manifest, pageSources, pictureBytes }: Archive,
	cleaned: readonly CleanedPage[],
	{
		now,
		isCopy,
		newId,
		clientHere = null
	}: {
		now: number;
		isCopy: boolean;
		newId: () => string;
		/** The client of the same id or name that is here already. */
		clientHere?: Client | null;
	}
): WholeAssignment {
	const idFor = (id: string) => (isCopy ? newId() : id);
	const ids = new Map(
		[...manifest.pages, ...manifest.notes, ...manifest.takes, ...manifest.pictures].map(
			({ id }) => [id, idFor(id)]
		)
	);
	const articles = new Map(cleaned.map((page) => [page.id, page]));
	const assignment = idFor(manifest.assignment.id);
	const renamed = isCopy ? renameIds(manifest, ids) : manifest;
	const given = manifest.client;
	const client: Client | null =
		clientHere ?? (given && { ...given.profile, id: given.id, createdAt: now, updatedAt: now });
	const { listed, ...stored } = manifest.assignment;
	return {
		client,
		listed,
		links: clientHere ? [] : (given?.links ?? []),
		assignment: {
			...stored,
			...(listed.length > 0 ? { listed: { keyword: stored.keyword, phrases: listed } } : {}),
			edits: renamed.assignment.edits,
			delivery: renamed.assignment.delivery,
			id: assignment,
			client: client?.id ?? null,
			updatedAt: now,
			binnedAt: null
		},
		pages: manifest.pages.flatMap(
			({ id, name, address, origin, counted, struck, judgement, result }, i) => {
				const page = articles.get(id);
				return page
					? [
							{
								id: ids.get(id)!,
								assignment,
								name,
								address,
								origin,
								counted,
								struck,
								judgement,
								result,
								sketch: sketchOf(page.article),
								article: page.article,
								sign: page.sign,
								order: i + 1
							}
						]
					: [];
			}
		),
		pageSources: manifest.pages.map(({ id }) => ({
			id: ids.get(id)!,
			assignment,
			source: pageSources[id] ?? ''
		})),
		notes: manifest.notes.map((note, i) => ({
			...note,
			id: ids.get(note.id)!,
			assignment,
			order: manifest.pages.length + i + 1
		})),
		awaited: manifest.awaited.map((row, i) => ({
			...row,
			id: newId(),
			assignment,
			order: manifest.pages.length + manifest.notes.length + i + 1
		})),
		plan: renamed.plan ? { assignment, plan: renamed.plan, updatedAt: now } : null,
		versions: renamed.versions.map((version) => ({
			...(version as unknown as Omit<StoredVersion, 'assignment'>),
			// ids of versions name nothing but themselves
			id: idFor(version.id),
			assignment
		})),
		pictures: manifest.pictures.map(
			({ id, name, type, width, height, alt, caption, credit, licence, source }, i) => ({
				id: ids.get(id)!,
				assignment,
				name,
				type,
				bytes: pictureBytes[id] ?? new Uint8Array(),
				width,
				height,
				alt,
				caption,
				credit,
				licence,
				source,
				order: i + 1
			})
		),
		points: renamed.takes.flatMap(({ id, points }) =>
			points.map((point) => ({ ...point, id: newId(), assignment, take: ids.get(id) ?? id }))
		),
		takes: renamed.takes.map(({ id, name, doc }, i) => ({
			id: ids.get(id) ?? id,
			assignment,
			name,
			doc,
			revision: 1,
			order: i + 1,
			updatedAt: now
		}))
	};
}

/** What holds ids of pages, notes, takes and pictures. */
type Renamed = Pick<ArchiveManifest, 'plan' | 'takes' | 'versions'> & {
	readonly assignment: Pick<ArchiveManifest['assignment'], 'edits' | 'delivery'>;
};

/** Plan and takes name pages and notes inside longer ids ("topic:PAGE/3"), so the text is searched. */
function renameIds(manifest: ArchiveManifest, ids: ReadonlyMap<string, string>): Renamed {
	const { plan, takes, versions, assignment } = manifest;
	const { edits, delivery } = assignment;
	let text = JSON.stringify({ plan, takes, versions, assignment: { edits, delivery } });
	for (const [from, to] of ids) text = text.split(from).join(to);
	return JSON.parse(text) as Renamed;
}
