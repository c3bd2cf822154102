import { docText, type BlockNode, type InlineNode } from '../../manuscript';
import { countWords, sentencesOf } from '../../text';
import type { Dropped, DroppedReason } from './reply-blocks';

/** How a reply begins that speaks to whoever asked. */
const OPENS =
	/^(?:sure(?:ly)?|composed by|i(?:['’]m| am) (?:sorry|unable|afraid)|sorry,|i can(?:['’]t|not)|unfortunately,? i|certainly|of course|absolutely|great|okay|ok|alright|gladly|happy to|thanks?|thank you|hi|hello|dear|understood|got it|as (?:requested|you asked)|here(?:['’]s| is| are| you go)|below is|below you|i(?:['’]ve| have| will|['’]ll) (?:written|drafted|prepared|put together|write|draft|continue|expand|keep|now)|let me|let['’]s (?:continue|begin|start|pick up)|continuing|picking up)\b/i;

/** How it ends. */
const CLOSES =
	/^(?:let me know|i hope (?:this|that|it|you)|hope (?:this|that) helps|would you like|do you want me|shall i|should i|feel free|if you(?:['’]d| would| want| need|['’]re| have)\b.*\b(?:i can|let me|tell me|happy|changes|adjust|another|more)|i can (?:also|now|continue|expand|adjust)|i(?:['’]m| am) happy to|happy to|is there anything|please (?:let me|tell me|confirm|provide|note that i)|this (?:article|section|draft|version|text|post) (?:covers|meets|uses|includes|contains|follows|is (?:about|roughly|approximately)|comes)|i(?:['’]ve| have) (?:kept|used|included|made sure|worked|followed|aimed|placed)|(?:please )?note(?: to editor)?:|next steps?:|sources? used:|word of caution: as an ai|as an ai)\b/i;

/** Counts and lists of keywords. */
const ACCOUNTS =
	/^[\s([*_]*(?:(?:total |approx(?:imate|\.)? )?word count|words?\s*:|word total|keywords?(?: used| included| placed)?|terms?(?: used| included| placed)|secondary keywords|target keywords?|title|meta description|title tag|slug|seo title|reading time|readability)\b[^.]{0,12}[:–-]/i;
const COUNTS = /^[\s([*_]*(?:~|about |approx(?:imately|\.)? )?\d[\d,]* words[\s)\]*_.]*$/i;
const ACCOUNT_HEADING =
	/^(?:keywords?|terms?)(?: used| included| placed| list)?$|^(?:word count|seo notes?|notes? (?:to|for) (?:the )?(?:editor|writer|client)|meta (?:data|description)|checklist)$/i;

/** Signs that it goes on elsewhere. */
const SEAMS =
	/^[\s([*_.…-]*(?:continued?(?: (?:from|in|on)\b[^.]{0,60})?|to be continued|continue\??|end of (?:part|section)[^.]{0,20}|part \d+(?: of \d+)?|\(?cont(?:['’]d|inued)\.?\)?|(?:type|say|reply) ["“']?continue["”']?[^.]{0,60})[\s)\]*_.…-]*$/i;

/** Names what comes next, or looks back at a section. */
const TEASES =
	/\b(?:in|into) (?:the|our) (?:next|following) (?:section|part|chapter)\b|^(?:next|now|up next|coming up),? (?:we(?:['’]ll| will)?|let['’]s|you(?:['’]ll| will)) (?:look|turn|move|explore|dive|cover|see|discuss|learn)\b|^(?:now that (?:we|you)['’]?(?:ve| have)? (?:covered|seen|looked)|let['’]s (?:now )?(?:look|turn|move|dive|explore|get))\b/i;

/** Words of a paragraph that can be chatter as a whole. */
const MOST_CHATTER = 60;

/** Why a whole block is no part of the article, by its place: a reply is talked around, not through. */
function reasonOf(block: BlockNode, isFirst: boolean, isLast: boolean): DroppedReason | null {
	const text = docText(block).trim();
	if (SEAMS.test(text)) return 'seam';
	if (COUNTS.test(text)) return 'account';
	if (block.type === 'heading') return null;
	const words = countWords(text);
	if (ACCOUNTS.test(text) && words <= MOST_CHATTER * 2) return 'account';
	if (block.type !== 'paragraph' || words > MOST_CHATTER) return null;
	const said = text.replace(/^[*_("“]+/, '');
	if (isFirst && (OPENS.test(said) || CLOSES.test(said))) return 'chatter';
	if (isLast && CLOSES.test(said)) return 'chatter';
	return null;
}

/** Takes out what is said around an article; what is taken out is listed, in order. */
export function withoutChatter(blocks: readonly BlockNode[]): {
	readonly blocks: BlockNode[];
	readonly dropped: Dropped[];
} {
	const dropped: Dropped[] = [];
	const drop = (block: BlockNode, reason: DroppedReason) =>
		dropped.push({ text: docText(block).trim(), reason });
	const first = blocks.findIndex(({ type }) => type === 'heading');
	let end = blocks.length;
	// from the end upwards: an offer stands below another
	const gone = new Map<BlockNode, DroppedReason>();
	while (end > 0) {
		const block = blocks[end - 1]!;
		if (block.type !== 'horizontalRule') {
			const reason = reasonOf(block, false, true);
			if (!reason) break;
			gone.set(block, reason);
		}
		end--;
	}
	let isAccount = 0;
	const kept: BlockNode[] = [];
	blocks.forEach((block, at) => {
		// rules between sections are marks of the reply
		if (block.type === 'horizontalRule') return;
		if (block.type === 'heading') {
			isAccount = ACCOUNT_HEADING.test(docText(block).trim().replace(/:$/, ''))
				? block.attrs.level
				: 0;
		}
		const isBefore = at < (first < 0 ? 1 : first);
		const reason: DroppedReason | null =
			isAccount > 0 ? 'account' : (gone.get(block) ?? reasonOf(block, isBefore, false));
		if (reason) drop(block, reason);
		else kept.push(block);
	});
	return {
		blocks: kept.flatMap((block, at) => withoutTeaser(block, kept[at + 1], dropped)),
		dropped
	};
}

/** The last paragraph of a section without the sentence that names what comes next. */
function withoutTeaser(
	block: BlockNode,
	next: BlockNode | undefined,
	dropped: Dropped[]
): BlockNode[] {
	if (block.type !== 'paragraph' || (next && next.type !== 'heading')) return [block];
	const text = docText(block);
	const last = sentencesOf(text).at(-1);
	if (!last || !TEASES.test(last.text.trim())) return [block];
	dropped.push({ text: last.text.trim(), reason: 'teaser' });
	const end = text.lastIndexOf(last.text);
	let left = end;
	const content = (block.content ?? []).flatMap((node): InlineNode[] => {
		const length = node.type === 'text' ? node.text.length : 1;
		const room = Math.max(0, Math.min(length, left));
		left -= length;
		if (room === 0) return [];
		return node.type === 'text' ? [{ ...node, text: node.text.slice(0, room) }] : [node];
	});
	const trimmed = content.map((node, i) =>
		node.type === 'text' && i === content.length - 1 ? { ...node, text: node.text.trimEnd() } : node
	);
	return trimmed.some((node) => node.type === 'text' && node.text !== '')
		? [
				{
					type: 'paragraph',
					content: trimmed.filter((node) => node.type !== 'text' || node.text !== '')
				}
			]
		: [];
}
