/** Emoji, arrows and bullets at either end. */
const PICTURE = '(?:\\p{Extended_Pictographic}|\\p{So}|\\u200d|\\ufe0f|[→►▸»•·\\s])+';
const PICTURES = new RegExp(`^${PICTURE}|${PICTURE}$`, 'gu');

/** What counts parts of a text: "Step 3", "Chapter 2". */
const PART =
	'(?:step|part|chapter|section|unit|lesson|stage|phase|example|figure|fig\\.?|table|tip|rule|reason|mistake|idea|day|week|no\\.?|#|§)';
const NUMBER = '(?:\\d{1,3}(?:\\.\\d{1,3})*|[ivx]{1,4})';
/** "3. ", "3) ", "11.2.1. ", "II: ", "Step 4 – ": whatever follows. */
const SET_OFF = new RegExp(
	`^(?:${PART}\\s*)?\\(?${NUMBER}(?:[.):]+(?!\\d)\\s*(?=\\S)|\\s*[–—-]\\s+(?=[^\\s\\d]))`,
	'iu'
);
/** "Chapter 2 Walls", "11.3 Walls": nothing stands between, so that a capital has to follow. */
const BEFORE_CAPITAL = new RegExp(`^(?:${PART}\\s*\\d{1,3}|\\d{1,3}(?:\\.\\d{1,3})+)\\s+`, 'i');
const STEP = /^step \d{1,2}\s+/i;

/** A heading without pictures around it and without the number that counts it among the others. */
export function bareHeading(heading: string): string {
	const said = heading.replace(PICTURES, '').trim();
	const apart = said.replace(BEFORE_CAPITAL, '');
	if (apart !== said && /^\p{Lu}/u.test(apart)) return apart;
	return said.replace(SET_OFF, '').replace(STEP, '').trim();
}
