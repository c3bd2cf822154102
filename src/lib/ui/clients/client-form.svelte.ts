import { untrack } from 'svelte';
import {
	clientProfileSchema,
	profileChangesOf,
	type ClientProfile,
	type ProfileChange
} from '$lib/core/clients';
import { putClient } from '$lib/data/clients';
import type { Client } from '$lib/data/db';
import { readSetting, saveSetting } from '$lib/data/settings';
import { messageOf } from '$lib/data/trouble';
import { history } from '../frame/history.svelte';
import { Autosave } from '../parts/autosave';

/** A profile as it is typed; lists stand one entry on a line. */
export type ClientDraft = Omit<
	ClientProfile,
	'facts' | 'avoid' | 'brands' | 'forms' | 'requestWording' | 'unmarked'
> & {
	facts: string;
	avoid: string;
	brands: { name: string; wrong: string; how: string }[];
};

/**
 * A client's profile as it is typed. What is typed is kept, in this browser, and reaches nothing until
 * it is applied: other assignments share the profile.
 */
export class ClientForm {
	draft = $state<ClientDraft>() as ClientDraft;
	#error = $state('');
	readonly #client: () => Client;
	/** Profile the draft was last made from, as text: a change elsewhere is a difference, not a loss. */
	#last: string;
	readonly #autosave = new Autosave(
		() => this.#keep(),
		() => this.#keepAtOnce()
	);

	readonly profile: ClientProfile = $derived.by(() => profileFrom(this.draft, this.#client()));
	/** What is typed and not applied, part by part. */
	readonly changes: readonly ProfileChange[] = $derived.by(() =>
		profileChangesOf(profileOf(this.#client()), this.profile)
	);
	/** Why the profile cannot be applied as it is typed; empty when nobody asked or it can. */
	readonly error = $derived(this.#error);

	/** @param client the profile as it is stored */
	constructor(client: () => Client) {
		this.#client = client;
		this.draft = draftOf(client());
		this.#last = JSON.stringify(profileOf(client()));
	}

	/** Keeps what is typed, and shows what was typed before; returns what ends it. */
	watch(): () => void {
		void this.#restore();
		return this.#autosave.watch();
	}

	/** Takes over what an undo has stored, while nothing waits to be applied. Call from an effect. */
	follow(): void {
		const client = this.#client();
		const now = JSON.stringify(profileOf(client));
		untrack(() => {
			if (now === this.#last) return;
			if (JSON.stringify(this.profile) === this.#last) this.draft = draftOf(client);
			this.#last = now;
		});
	}

	/** Notes a change of the draft. */
	changed(): void {
		this.#autosave.changed();
	}

	/** Whether the draft can be applied; else `error` says what is wrong. */
	check(): boolean {
		const checked = clientProfileSchema.safeParse(this.profile);
		const issue = checked.error?.issues[0];
		this.#error = issue ? `“${issue.path.join(' ')}”: ${issue.message}` : '';
		return checked.success;
	}

	async apply(): Promise<void> {
		const before = this.#client();
		const after: Client = {
			...before,
			...($state.snapshot(this.profile) as ClientProfile),
			updatedAt: Date.now()
		};
		this.#last = JSON.stringify(profileOf(after));
		await history.run({
			label: `Changed the profile of “${after.name}”`,
			redo: () => putClient(after),
			undo: () => putClient(before)
		});
		await this.#forget();
	}

	/** Drops what is typed and not applied. */
	async drop(): Promise<void> {
		this.draft = draftOf(this.#client());
		this.#error = '';
		await this.#forget();
	}

	get #key(): string {
		return `client-draft:${this.#client().id}`;
	}

	async #restore(): Promise<void> {
		const left = localStorage.getItem(this.#key);
		const kept: unknown = left === null ? await readSetting(this.#key) : JSON.parse(left);
		localStorage.removeItem(this.#key);
		if (kept && typeof kept === 'object' && 'brands' in kept) this.draft = kept as ClientDraft;
		if (left !== null) this.changed();
	}

	async #keep(): Promise<void> {
		try {
			const draft = this.changes.length > 0 ? $state.snapshot(this.draft) : null;
			const now = this.#asText();
			await saveSetting(this.#key, draft);
			// what was typed meanwhile may be written down already
			if (this.#asText() === now) localStorage.removeItem(this.#key);
		} catch (error) {
			this.#error = `what is typed is not kept (${messageOf(error)})`;
		}
	}

	#asText(): string {
		return JSON.stringify($state.snapshot(this.draft));
	}

	#keepAtOnce(): void {
		try {
			localStorage.setItem(this.#key, this.#asText());
		} catch {
			// no room: the save that follows says so if it fails as well
		}
	}

	async #forget(): Promise<void> {
		this.#autosave.forget();
		localStorage.removeItem(this.#key);
		await saveSetting(this.#key, null);
	}
}

export function profileOf(client: Client): ClientProfile {
	const { id: _, createdAt: __, updatedAt: ___, ...profile } = client;
	return profile;
}

function draftOf(client: Client): ClientDraft {
	const { forms: _, requestWording: __, unmarked: ___, ...profile } = profileOf(client);
	return {
		...structuredClone(profile),
		facts: client.facts.join('\n'),
		avoid: client.avoid.join('\n'),
		brands: client.brands.map(({ name, wrong, how }) => ({ name, wrong: wrong.join(', '), how }))
	};
}

function profileFrom(
	draft: ClientDraft,
	{ forms, requestWording, unmarked }: Pick<ClientProfile, 'forms' | 'requestWording' | 'unmarked'>
): ClientProfile {
	return {
		name: draft.name.trim(),
		audience: draft.audience,
		voice: draft.voice
			.filter(({ text }) => text.trim() !== '')
			.map(({ name, text }) => ({ name, text })),
		facts: partsOf(draft.facts, '\n'),
		avoid: partsOf(draft.avoid, '\n'),
		brands: draft.brands
			.filter(({ name }) => name.trim() !== '')
			.map(({ name, wrong, how }) => ({
				name: name.trim(),
				wrong: partsOf(wrong, ','),
				how: how.trim()
			})),
		colours: [...draft.colours],
		logo: draft.logo,
		// what was typed before this could be chosen has none
		quotes: draft.quotes ?? 'double',
		// these are changed where they stand, at once
		forms,
		requestWording,
		unmarked
	};
}

function partsOf(text: string, separator: string): string[] {
	return text
		.split(separator)
		.map((part) => part.trim())
		.filter(Boolean);
}
