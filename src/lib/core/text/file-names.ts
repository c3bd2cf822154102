/** Words of file names that say nothing. */
const EMPTY_NAMES =
	/^(?:img|image|images|photo|photograph|picture|pic|dsc|dscn|scan|copy|final|new|large|small|thumb|web|crop|cropped|edit|edited|jpg|jpeg|png|webp|gif|svg)$/;

/** The words of a file name: "barn-roof_02.JPG" → "barn roof". */
export function nameWords(name: string): string {
	return name
		.replace(/\.[a-z0-9]{2,5}$/i, '')
		.replace(/([a-z])([A-Z])/g, '$1 $2')
		.split(/[^\p{L}]+/u)
		.filter((word) => word.length > 1 && !EMPTY_NAMES.test(word.toLowerCase()))
		.join(' ');
}
