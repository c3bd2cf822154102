import { reportOf, type Report, type ReportedQuestion } from '$lib/core/deliver';
import { isMaterial } from '$lib/core/notes';
import type { Delivery } from './delivery.svelte';

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** What the client is told, as far as it is known; null while the evidence is read. */
export function reportFor(delivery: Delivery): Report | null {
	const { session, reading, take, article, claims, choices } = delivery;
	const { findings, client, standings, letters } = session;
	if (!findings || !take) return null;
	const scores = new Map((standings ?? []).map(({ page, standing }) => [page, standing]));
	const answered = new Set(
		(reading?.slips ?? []).flatMap(({ questions }) =>
			questions.filter(({ isAnswered }) => isAnswered).map(({ id }) => id)
		)
	);
	const counted = new Set(session.counted.map(({ id }) => id));
	const planned = new Set(
		(delivery.plan?.sections ?? []).flatMap(({ questions }) =>
			questions.map(({ question }) => question)
		)
	);
	const questions = findings.questions
		.filter(({ id }) => planned.has(id))
		.map(({ id, text, answers }): ReportedQuestion => ({
			text,
			pages: new Set(answers.map(({ source }) => source).filter((source) => counted.has(source)))
				.size,
			isAnswered: answered.has(id)
		}));
	const treated = new Set(
		(delivery.plan?.sections ?? [])
			.filter(({ id }) =>
				(reading?.slips ?? []).some((slip) => slip.section === id && slip.words > 15)
			)
			.flatMap(({ topics }) => topics)
	);
	const backing = new Map<string, number>();
	for (const { backing: state, same } of claims)
		if (state === 'backed' && same[0])
			backing.set(same[0].source, (backing.get(same[0].source) ?? 0) + 1);
	return reportOf({
		parts: choices.reportParts,
		clientName: client?.name ?? '',
		colours: client?.colours ?? [],
		logo: client?.logo ?? '',
		title: article.head.title,
		keyword: delivery.keyword,
		date: day.format(new Date()),
		takeName: take.name,
		words: article.words,
		targetWords: session.assignment?.targetWords ?? 0,
		standing: reading?.standing ?? null,
		holds: reading?.holds.map(({ text }) => text) ?? [],
		pages: session.pages.map(({ id, address, judgement, counted: isCounted }) => ({
			letter: letters.get(id) ?? '',
			title: session.nameOf(id),
			address,
			reason: isCounted ? '' : judgement.reasons.join('; '),
			standing: scores.get(id) ?? null
		})),
		notes: session.notes.filter(isMaterial).map(({ name }) => name.replace(/\.[a-z]{2,4}$/i, '')),
		ownTopics: findings.ownTopics.filter(({ id }) => treated.has(id)).map(({ label }) => label),
		questions,
		slips: reading?.slips ?? [],
		sources: [...backing]
			.map(([source, count]) => ({ name: session.nameOf(source), claims: count }))
			.sort((a, b) => b.claims - a.claims || (a.name < b.name ? -1 : 1)),
		claims: delivery.proof.isRead
			? {
					backed: claims.filter(({ backing: state }) => state === 'backed').length,
					all: claims.length
				}
			: null,
		open: delivery.open,
		history: choices.handedOver,
		dayOf: (ms) => day.format(ms)
	});
}
