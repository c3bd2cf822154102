// The few web types the core may use; everything else of the platform fails to compile there.
declare class URL {
	constructor(url: string, base?: string | URL);
	readonly href: string;
	readonly hostname: string;
	readonly pathname: string;
	readonly protocol: string;
	readonly hash: string;
	readonly search: string;
	readonly searchParams: { set(name: string, value: string): void };
	static canParse(url: string, base?: string | URL): boolean;
}
declare class TextEncoder {
	encode(input?: string): Uint8Array<ArrayBuffer>;
}
declare class TextDecoder {
	constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
	decode(input?: Uint8Array): string;
}
interface AbortSignal {
	readonly aborted: boolean;
}
