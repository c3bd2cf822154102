const NUMBERS = [
	'no',
	'one',
	'two',
	'three',
	'four',
	'five',
	'six',
	'seven',
	'eight',
	'nine',
	'ten',
	'eleven',
	'twelve'
];

/** A count as running text has it: words up to twelve, figures beyond. */
export function inWords(n: number): string {
	return NUMBERS[n] ?? n.toLocaleString('en');
}

export function capital(text: string): string {
	return text === '' ? '' : text[0]!.toUpperCase() + text.slice(1);
}
