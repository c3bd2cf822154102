/** What a section does; decides how it is drafted. */
export const SECTION_KINDS = [
	'opening',
	'definition',
	'explanation',
	'steps',
	'list',
	'comparison',
	'question',
	'faq',
	'takeaways',
	'closing'
] as const;

export type SectionKind = (typeof SECTION_KINDS)[number];
