// The part of the CSV library in use; its own types would bring Node's globals into the core.
declare module 'papaparse' {
	interface ParseStep {
		readonly data: string[];
		readonly meta: { readonly cursor: number };
	}
	interface ParseConfig {
		readonly delimiter: string;
		readonly newline: '\n';
		readonly quoteChar?: string;
		readonly skipEmptyLines: false;
		readonly step: (step: ParseStep) => void;
	}
	interface UnparseConfig {
		readonly delimiter?: string;
		readonly newline?: string;
	}
	const Papa: {
		parse(text: string, config: ParseConfig): void;
		unparse(rows: readonly (readonly string[])[], config?: UnparseConfig): string;
	};
	export default Papa;
}
