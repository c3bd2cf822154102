import { pageReplySchema, type PageReply } from '$lib/core/services';

/** Asks the server for one page. Never throws: what goes wrong is a refusal with a reason. */
export async function fetchPage(address: string, signal?: AbortSignal): Promise<PageReply> {
	const refused = (reason: string): PageReply => ({ kind: 'refused', reason, canRetry: true });
	try {
		const response = await fetch('/api/page', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ address }),
			signal
		});
		if (response.status === 400) return refused('this is not an address that can be fetched');
		if (!response.ok) return refused(`the server answered ${response.status}`);
		const reply = pageReplySchema.safeParse(await response.json());
		return reply.success ? reply.data : refused('the answer was not understood');
	} catch {
		return signal?.aborted
			? refused('it was not fetched, for you stopped before')
			: refused('the server cannot be reached');
	}
}
