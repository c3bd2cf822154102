/*
 * British and American spellings of one word meet in one form, so that a page that writes
 * "color" and one that writes "colour" count for the same term. The form is for comparing,
 * never for showing. Words are listed where a rule would catch others ("four", "promise").
 */
const OUR =
	/^(arb|arm|behavi|col|discol|cand|clam|endeav|fav|flav|harb|hon|hum|lab|neighb|od|parl|ranc|rig|rum|sav|splend|tum|val|vap|vig)our(s|ed|ing|er|ers|able|ably|ite|ites|ful|less|hood|ly|y)?$/;
const RE = /^(.*(?:met|lit|cent|fib|theat|lust|spect|calib|somb|meag))re(s|d)?$/;
const OGUE = /^(catal|dial|anal|monol|epil|prol)ogue(s)?$/;

const DOUBLED =
	/^(travel|model|label|level|cancel|fuel|channel|panel|tunnel|signal|total|bevel|chisel|dial|equal|marvel|pedal|quarrel|shovel|swivel|trowel|unravel|jewel|counsel)l(ed|ing|er|ers)$/;
const ISE =
	/^(?!(?:advert|adv|bru|torto|ar|br|ch|chast|circumc|compr|comprom|conc|cru|dem|dev|desp|disgu|enfranch|enterpr|exc|exerc|expert|franch|gu|improv|no|otherw|parad|po|pra|prec|prem|prom|ra|rev|r|superv|surm|surpr|telev|tort|treat|w|likew|appra|repr|ven|an|merchand)is)(.{3,})is(e|es|ed|er|ers|ing|ation|ations|able)$/;
const YSE = /^(anal|catal|paral|hydrol)ys(e|es|ed|ing|er|ers)$/;

const WHOLE = new Map(
	Object.entries({
		grey: 'gray',
		greys: 'grays',
		greyish: 'grayish',
		plough: 'plow',
		ploughs: 'plows',
		ploughed: 'plowed',
		ploughing: 'plowing',
		mould: 'mold',
		moulds: 'molds',
		mouldy: 'moldy',
		moulding: 'molding',
		mouldings: 'moldings',
		moult: 'molt',
		moults: 'molts',
		moulting: 'molting',
		smoulder: 'smolder',
		aluminium: 'aluminum',
		programme: 'program',
		programmes: 'programs',
		jewellery: 'jewelry',
		defence: 'defense',
		offence: 'offense',
		licence: 'license',
		licences: 'licenses',
		pretence: 'pretense',
		practise: 'practice',
		practised: 'practiced',
		practising: 'practicing',
		judgement: 'judgment',
		skilful: 'skillful',
		fulfil: 'fulfill',
		enrol: 'enroll',
		pyjamas: 'pajamas',
		sceptic: 'skeptic',
		sulphur: 'sulfur',
		tyre: 'tire',
		tyres: 'tires',
		kerb: 'curb',
		kerbs: 'curbs',
		yoghurt: 'yogurt',
		draughty: 'drafty',
		moustache: 'mustache',
		doughnut: 'donut',
		doughnuts: 'donuts'
	})
);

const folded = new Map<string, string>();

/** The form in which British and American spellings of a plain word meet: "colours" → "colors". */
export function oneSpelling(word: string): string {
	if (word.length < 4) return word;
	const known = folded.get(word);
	if (known !== undefined) return known;
	const found = fold(word);
	if (folded.size > 60_000) folded.clear();
	folded.set(word, found);
	return found;
}

function fold(word: string): string {
	return (
		WHOLE.get(word) ??
		word
			.replace(OUR, '$1or$2')
			.replace(
				RE,
				(_, stem: string, end?: string) => `${stem}er${end === 'd' ? 'ed' : (end ?? '')}`
			)
			.replace(OGUE, '$1og$2')
			.replace(DOUBLED, '$1$2')
			.replace(YSE, '$1yz$2')
			.replace(ISE, '$1iz$2')
	);
}
