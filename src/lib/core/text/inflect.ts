import pluralize from 'pluralize';

/*
 * `pluralize` is made for identifiers; these everyday words it gets wrong, or they have no
 * singular of their own in running text. Set on the inflection cases of inflect.test.ts.
 */
const FIXED = new Map<string, string>(
	Object.entries({
		is: 'is',
		as: 'as',
		was: 'was',
		has: 'has',
		this: 'this',
		its: 'its',
		us: 'us',
		does: 'does',
		his: 'his',
		less: 'less',
		across: 'across',
		always: 'always',
		perhaps: 'perhaps',
		towards: 'towards',
		afterwards: 'afterwards',
		besides: 'besides',
		sometimes: 'sometimes',
		upwards: 'upwards',
		outwards: 'outwards',
		inwards: 'inwards',
		gas: 'gas',
		bus: 'bus',
		lens: 'lens',
		yes: 'yes',
		data: 'data',
		media: 'media',
		leaves: 'leaf',
		halves: 'half',
		loaves: 'loaf',
		shelves: 'shelf',
		knives: 'knife',
		staves: 'stave',
		waves: 'wave',
		caves: 'cave',
		eaves: 'eaves',
		dice: 'dice',
		axes: 'axe',
		vs: 'vs',
		people: 'person',
		feet: 'foot',
		teeth: 'tooth',
		geese: 'goose',
		mice: 'mouse',
		men: 'man',
		women: 'woman',
		children: 'child',
		moss: 'moss',
		pancreas: 'pancreas',
		canvas: 'canvas',
		atlas: 'atlas',
		christmas: 'christmas'
	})
);

const singulars = new Map<string, string>();

/**
 * Folds a plain word (lower case, see `plainWord`) to its singular: "copestones" → "copestone".
 * Words that only look plural stay: "gas", "always".
 */
export function singularOf(word: string): string {
	const known = singulars.get(word);
	if (known !== undefined) return known;
	const singular = foldPlural(word);
	if (singulars.size > 60_000) singulars.clear();
	singulars.set(word, singular);
	return singular;
}

function foldPlural(word: string): string {
	const fixed = FIXED.get(word);
	if (fixed !== undefined) return fixed;
	if (word.length < 4 || !word.endsWith('s')) return word;
	if (/(?:ss|us|is|ics|ous)$/.test(word)) return word;
	return pluralize.singular(word);
}

/** base → past and past participle */
const IRREGULAR: Readonly<Record<string, readonly string[]>> = {
	build: ['built'],
	buy: ['bought'],
	lay: ['laid'],
	make: ['made'],
	keep: ['kept'],
	hold: ['held'],
	stand: ['stood'],
	cut: ['cut'],
	set: ['set'],
	put: ['put'],
	get: ['got'],
	choose: ['chose', 'chosen'],
	break: ['broke', 'broken'],
	find: ['found'],
	feed: ['fed'],
	dig: ['dug'],
	grow: ['grew', 'grown'],
	write: ['wrote', 'written'],
	take: ['took', 'taken'],
	give: ['gave', 'given'],
	draw: ['drew', 'drawn'],
	fall: ['fell', 'fallen'],
	freeze: ['froze', 'frozen'],
	sell: ['sold'],
	pay: ['paid'],
	cost: ['cost'],
	run: ['ran', 'run'],
	fix: ['fixed'],
	plan: ['planned']
};

/**
 * The inflected forms of a verb, itself first: "lay" → lay, lays, laying, laid.
 * Terms match by generated forms and never by stem, since stems join what differs
 * ("stonewalling" and "stone wall").
 */
export function verbFormsOf(base: string): string[] {
	const ending = /[^aeiou]y$/.test(base);
	const doubles = /^[^aeiou]*[aeiou][bdgklmnprt]$/.test(base);
	const third = ending
		? base.slice(0, -1) + 'ies'
		: /(?:s|x|z|ch|sh|o)$/.test(base)
			? base + 'es'
			: base + 's';
	const stem = doubles
		? base + base.at(-1)
		: base.endsWith('e') && !base.endsWith('ee')
			? base.slice(0, -1)
			: base;
	const past = IRREGULAR[base] ?? [ending ? base.slice(0, -1) + 'ied' : stem + 'ed'];
	return [...new Set([base, third, stem + 'ing', ...past])];
}

/** Verbs that instructions begin with and that are hardly ever nouns there. */
const DOING_VERBS = new Set(
	`apply bake boil brew build buy calculate carve choose clean compost cook cut design dig draw dry feed find fit
fix fry get grow hang harvest hold install insulate keep knit lay learn make measure mend mix paint plan
plant pour prepare prevent prune raise remove repair replace restore rinse roast rub run scrub sell set sew sharpen soak solder sow
start stir stop store teach tile train use wash wipe write`.split(/\s+/)
);

/** Whether a word in its base form is a verb that instructions begin with. */
export function isDoingVerb(word: string): boolean {
	return DOING_VERBS.has(word);
}

/** The form of a verb in -ing: "lay" → "laying". */
export function gerundOf(verb: string): string {
	return verbFormsOf(verb).find((form) => form.endsWith('ing')) ?? `${verb}ing`;
}

/** The verb that a form in -ing belongs to, as far as instructions use it; null for all else. */
export function verbOfGerund(word: string): string | null {
	if (!/^[a-z]{2,}ing$/.test(word)) return null;
	const stem = word.slice(0, -3);
	return (
		[stem, `${stem}e`, stem.replace(/(.)\1$/, '$1')].find(
			(verb) => isDoingVerb(verb) && gerundOf(verb) === word
		) ?? null
	);
}
