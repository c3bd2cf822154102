<!-- The manuscript set as a page; the editor is put into it. -->
<script lang="ts">
	interface Props {
		/** Puts the editor into the element; returns what takes it out. */
		mount: (element: HTMLElement) => () => void;
		/** Told when the page has another height or width. */
		onresize: () => void;
		/** Whether the signs of where sentences come from are left out. */
		isPlain?: boolean;
	}
	let { mount, onresize, isPlain = false }: Props = $props();

	function attach(element: HTMLElement) {
		const unmount = mount(element);
		const watch = new ResizeObserver(() => onresize());
		watch.observe(element);
		void document.fonts.ready.then(() => onresize());
		return () => {
			watch.disconnect();
			unmount();
		};
	}
</script>

<div class="manuscript" class:plain={isPlain} {@attach attach}></div>

<style>
	.manuscript :global(.tiptap) {
		padding: 10px 60px 40vh 44px;
		font: calc(16.5px * var(--type-scale, 1)) / 1.68 var(--font-serif);
		outline: none;
		overflow-wrap: break-word;
	}
	/* the line of formats lies over the top */
	.manuscript :global(:is(h1, h2, h3, h4)) {
		scroll-margin-top: 48px;
	}
	.manuscript :global(h1) {
		font-size: calc(29px * var(--type-scale, 1));
		line-height: 1.2;
		margin: 8px 0 14px;
		letter-spacing: -0.005em;
	}
	.manuscript :global(h2) {
		font-size: calc(20px * var(--type-scale, 1));
		line-height: 1.3;
		margin: 30px 0 8px;
	}
	.manuscript :global(h3) {
		font-size: calc(17px * var(--type-scale, 1));
		line-height: 1.35;
		margin: 22px 0 6px;
	}
	.manuscript :global(h4) {
		font-size: calc(16px * var(--type-scale, 1));
		margin: 18px 0 4px;
	}
	.manuscript :global(p) {
		margin: 0 0 12px;
	}
	.manuscript :global(ul),
	.manuscript :global(ol) {
		margin: 0 0 12px;
		padding-left: 1.5em;
	}
	.manuscript :global(ul) {
		list-style: disc;
	}
	.manuscript :global(ol) {
		list-style: decimal;
	}
	.manuscript :global(li p) {
		margin: 0 0 3px;
	}
	.manuscript :global(blockquote) {
		border-left: 2px solid var(--rule);
		padding-left: 14px;
		font-style: italic;
	}
	.manuscript :global(a) {
		color: var(--color-primary);
		text-decoration: underline;
		text-underline-offset: 2px;
	}
	.manuscript :global(table) {
		width: 100%;
		border-collapse: collapse;
		margin: 0 0 14px;
		font-size: calc(15px * var(--type-scale, 1));
	}
	.manuscript :global(th),
	.manuscript :global(td) {
		border-bottom: 1px solid var(--rule);
		padding: 4px 8px 4px 0;
		text-align: left;
		vertical-align: top;
	}
	.manuscript :global(figure) {
		margin: 0 0 14px;
	}
	.manuscript :global(figure img) {
		max-width: 100%;
		max-height: 420px;
		height: auto;
	}
	.manuscript :global(figcaption) {
		font: 13px/1.45 var(--font-sans);
		color: var(--ink-2);
		min-height: 1.45em;
		padding-top: 4px;
	}
	.manuscript :global(figure.ProseMirror-selectednode) {
		outline: 2px solid var(--color-accent);
	}
	.manuscript :global(.gap) {
		border-left: 3px solid var(--gap-rule);
		background: var(--gap-paper);
		color: var(--gap-ink);
		font: 14px/1.5 var(--font-sans);
		padding: 6px 12px;
		margin: 0 0 12px;
	}
	.manuscript :global(.gap)::before {
		content: 'Gap. ';
		font-weight: 700;
	}
	.manuscript :global(.origin)::after {
		content: attr(data-label);
		font: 600 10.5px var(--font-sans);
		color: var(--color-secondary);
		vertical-align: super;
		margin-left: 1px;
		line-height: 0;
	}
	.manuscript.plain :global(.origin)::after {
		content: none;
	}
	.manuscript :global(.comment) {
		background: color-mix(in oklab, var(--color-warning) 16%, var(--sheet));
		border-bottom: 1.5px solid var(--color-warning);
	}
	.manuscript :global(.folded-away) {
		display: none;
	}
	.manuscript :global(.folded)::after {
		content: ' ▸ ' attr(data-folded);
		font: 400 12.5px var(--font-sans);
		color: var(--ink-2);
	}
	.manuscript :global(figure.is-empty figcaption)::before {
		content: 'A caption';
		opacity: 0.6;
	}
	.manuscript :global(.is-empty:not(figure))::before {
		content: attr(data-placeholder);
		float: left;
		height: 0;
		color: var(--ink-2);
		opacity: 0.6;
		pointer-events: none;
	}
	.manuscript :global(.ProseMirror-search-match) {
		background: color-mix(in oklab, var(--color-secondary) 22%, var(--sheet));
	}
	.manuscript :global(.ProseMirror-active-search-match) {
		background: color-mix(in oklab, var(--color-accent) 32%, var(--sheet));
	}
	.manuscript :global(.proof-mark) {
		text-decoration: underline wavy var(--plum) 1px;
		text-underline-offset: 3px;
	}
	/* each reading has a line of its own under the words: shape before colour */
	.manuscript :global(.for-close) {
		text-decoration: underline solid var(--plum) 2px;
	}
	.manuscript :global(.for-claims) {
		text-decoration: underline dotted var(--color-accent) 3px;
	}
	.manuscript :global(.for-terms) {
		text-decoration: underline dashed var(--color-secondary) 2px;
	}
	.manuscript :global(:is(.for-reading, .for-sameness)) {
		text-decoration: underline dashed var(--ink-2) 1px;
		text-underline-offset: 4px;
	}
	.manuscript :global(.for-sameness) {
		text-decoration-style: double;
	}
	.manuscript :global(.for-leftovers) {
		text-decoration: line-through solid var(--color-error) 1px;
	}
	.manuscript :global(.for-spelling) {
		text-decoration: underline wavy var(--color-warning) 1.5px;
	}
	.manuscript :global(:is(.for-headings, .for-aged, .for-links)) {
		text-decoration: underline dotted var(--ink-2) 2px;
	}
	.manuscript :global(.in-hand) {
		background: color-mix(in oklab, var(--color-accent) 20%, var(--sheet));
	}
	@media (max-width: 700px) {
		.manuscript :global(.tiptap) {
			padding: 8px 16px 30vh;
			font-size: calc(16px * var(--type-scale, 1));
		}
		.manuscript :global(h1) {
			font-size: 24px;
		}
	}
</style>
