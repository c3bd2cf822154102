/** Participles that are not written like the past of their verb. */
const OWN: Readonly<Record<string, string>> = {
	begun: 'began',
	bitten: 'bit',
	blown: 'blew',
	broken: 'broke',
	chosen: 'chose',
	done: 'did',
	drawn: 'drew',
	driven: 'drove',
	eaten: 'ate',
	frozen: 'froze',
	given: 'gave',
	grown: 'grew',
	hidden: 'hid',
	known: 'knew',
	ridden: 'rode',
	rewritten: 'rewrote',
	seen: 'saw',
	shaken: 'shook',
	shown: 'showed',
	sewn: 'sewed',
	spoken: 'spoke',
	stolen: 'stole',
	taken: 'took',
	thrown: 'threw',
	torn: 'tore',
	worn: 'wore',
	woven: 'wove',
	written: 'wrote'
};

/** Irregular ones that are. */
const SAME = new Set(
	'bought brought built rebuilt caught cut dug fed felt found held kept laid led left lent lost made met paid put read repaid said sent set shut sold spent split spread swept taught told thought understood won wound'.split(
		' '
	)
);

/** Words in -ed and the like that qualify and are no deed. */
const NO_DEED = new Set(
	'aged based bored delighted interested limited surrounded tired used related'.split(' ')
);

/** The past of a verb by its participle: "written" → "wrote"; null for a word that is none. */
export function pastOf(participle: string): string | null {
	const own = OWN[participle];
	if (own !== undefined) return own;
	if (NO_DEED.has(participle)) return null;
	return SAME.has(participle) || /^\p{Ll}{2,}ed$/u.test(participle) ? participle : null;
}
