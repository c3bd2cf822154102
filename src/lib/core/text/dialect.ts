/** Which spelling counts as right. */
export type Dialect = 'british' | 'american';

const BRITISH =
	/\b(?:\w+(?:our|ours|oured|ouring)(?<!\b(?:our|hour|hours|four|pour|pours|poured|pouring|tour|tours|your|yours|sour|flour|dour|contour|contours|detour|velour))|(?:cent|met|lit|fib|theat|millimet|centimet|kilomet)res?|grey|greys|tyres?|kerbs?|ploughs?|moulds?|mouldy|aluminium|\w{3,}(?:ise|ised|ising|isation)(?<!(?:wise|rise|prise|cise|vise|mise|noise|raise|praise|guise|advise|exercise|otherwise|likewise)d?)|programme|storey|storeys|cheques?|licence|defence|offence|travell\w+|labell\w+|jewellery|whilst|autumn|mum)\b/gi;
const AMERICAN =
	/\b(?:colou?rs?(?<!our|ours)|flavors?|labor|neighbors?|neighborhoods?|favorites?|harbors?|honors?|(?:cent|met|lit|fib|theat|millimet|centimet|kilomet)ers?|gray|grays|tires|curbs?|plows?|molds?|moldy|aluminum|\w{3,}(?:ize|ized|izing|ization)(?<!(?:size|prize|seize)d?)|licenses?|defense|offense|traveled|traveling|labeled|labeling|jewelry|mom|fall (?:and|or) winter|yards? sale|apartment|trash|sidewalk)\b/gi;

/** The dialect most telling words of a text are spelled in; British where it tells nothing but pounds. */
export function dialectOf(text: string): Dialect {
	const british = (text.match(BRITISH)?.length ?? 0) + 0.2 * (text.match(/£\s?\d/g)?.length ?? 0);
	const american =
		(text.match(AMERICAN)?.length ?? 0) + 0.2 * (text.match(/\$\s?\d/g)?.length ?? 0);
	return american > british ? 'american' : 'british';
}
