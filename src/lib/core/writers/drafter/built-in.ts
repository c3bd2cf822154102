import type { TakeDoc } from '../../manuscript';
import type { PlanSection } from '../../plan';
import { sectionRequestOf } from '../asking';
import { docOfVersions, wordsOfBlocks, type Version } from '../version';
import type { SectionRequest, Stop, Writer, WriterOutcome, WriterStep } from '../writer';
import { allocate, type Allocation } from './allocate';
import type { DraftMaterial } from './draft-material';
import { writeFaq, writeSection } from './write-section';

/** Which sections are to be written, and what the manuscript holds beside them. */
export interface DraftScope {
	/** Ids of sections; all of the plan unless given. */
	readonly sections?: ReadonlySet<string>;
	/** Text of the sections that are not written now. */
	readonly elsewhere?: string;
}

/**
 * The built-in drafter: lays out the passages of the notes that fit a section best, with a marked
 * gap where they are silent. Nothing is written that no note says. A passage is used once in all
 * sections of the scope. It drafts; other moves it refuses.
 */
export class BuiltInDrafter implements Writer {
	readonly id = 'built-in';
	readonly #material: DraftMaterial;
	readonly #sections: ReadonlyMap<string, PlanSection>;
	readonly #allocation: Allocation;

	constructor(material: DraftMaterial, { sections, elsewhere = '' }: DraftScope = {}) {
		this.#material = material;
		const wanted = material.plan.sections.filter(({ id }) => !sections || sections.has(id));
		this.#sections = new Map(wanted.map((section) => [section.id, section]));
		this.#allocation = allocate(material, wanted, elsewhere);
	}

	async *write(request: SectionRequest, stop: Stop): AsyncGenerator<WriterStep, WriterOutcome> {
		if (request.move !== 'draft' && request.move !== 'another version')
			return { kind: 'refused', reason: 'the built-in drafter only drafts whole sections' };
		if (stop.aborted) return { kind: 'cancelled' };
		yield this.draft(request.section);
		return { kind: 'done' };
	}

	/**
	 * The blocks of one section.
	 * @throws RangeError for a section that is not in the scope
	 */
	draft(id: string): WriterStep {
		const section = this.#sections.get(id);
		if (!section) throw new RangeError(`The drafter was not made for the section "${id}"`);
		const { answers, chosen } = this.#allocation;
		const mine = chosen.get(id) ?? [];
		const blocks =
			section.kind === 'faq'
				? writeFaq(section, this.#allocation, this.#material)
				: writeSection(section, mine, this.#allocation, this.#material);
		const used = [
			...mine,
			...section.questions.flatMap(({ question }) => answers.get(question) ?? [])
		];
		return { blocks, sources: [...new Set(used.map(({ note }) => note))] };
	}
}

/** A whole article by the built-in drafter, in one go; the same as its versions put together. */
export function draftArticle(material: DraftMaterial): TakeDoc {
	const { plan, findings } = material;
	const drafter = new BuiltInDrafter(material);
	const versions = plan.sections.map((section): Version => {
		const { heading, move } = sectionRequestOf(section, plan, findings);
		const { blocks, sources } = drafter.draft(section.id);
		return {
			section: section.id,
			heading,
			writer: drafter.id,
			move,
			blocks,
			words: wordsOfBlocks(blocks),
			sources,
			outcome: { kind: 'done' }
		};
	});
	return docOfVersions(plan, versions);
}
