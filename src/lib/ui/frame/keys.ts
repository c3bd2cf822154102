/** The keys of the app, by where they work. The editor's own are those of the browser. */
export const KEYS: readonly {
	readonly where: string;
	readonly keys: readonly (readonly [keys: string, does: string])[];
}[] = [
	{
		where: 'Everywhere',
		keys: [
			['?', 'show these keys'],
			['Ctrl/⌘ + K', 'find any action by its name'],
			['Ctrl/⌘ + Z', 'take back the last step'],
			['Ctrl/⌘ + Shift + Z', 'do it again'],
			[
				'Alt + 1 … 8',
				'go to a stage: 1 Scout, 2 Brief, 3 Gather, 4 Findings, 5 Plan, 6 Write, 7 Proof, 8 Deliver'
			],
			['Esc', 'close what lies on top']
		]
	},
	{
		where: 'Lists and grids',
		keys: [
			['↑ ↓', 'the row above or below'],
			['Enter', 'open it'],
			['Space', 'set a page aside, or tick a phrase'],
			['1 2 3', 'in Findings: must, should or could']
		]
	},
	{
		where: 'Gather, in a page or a note',
		keys: [
			['X', 'strike a block out, or bring it back'],
			['J P', 'in a note: join a unit with the one above, or part it']
		]
	},
	{
		where: 'Plan',
		keys: [
			['Alt + ↑ ↓', 'move the section'],
			['Alt + → ←', 'make it a sub-section, or bring it out again'],
			['Alt + M', 'merge it into the one above']
		]
	},
	{
		where: 'Write',
		keys: [
			['Alt + J', 'the next section with something open'],
			['Alt + G', 'the next gap'],
			['Alt + Q', 'only the text and its section’s slip'],
			['Alt + O', 'the outline: there Alt + ↑ ↓ moves a section, ← → folds it'],
			['Alt + .', 'fold the section, or unfold it'],
			['Alt + C', 'say something to the client about the chosen words'],
			['Ctrl/⌘ + L', 'a link for the chosen words'],
			['Ctrl/⌘ + F', 'find and replace']
		]
	},
	{
		where: 'Proof',
		keys: [
			['J K', 'the next mark, the one before'],
			['F', 'do what the mark offers'],
			['D', 'dismiss it with a reason'],
			['L', 'leave it and go on']
		]
	}
];
