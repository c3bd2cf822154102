import { measureVoice, type ClientProfile } from '$lib/core/clients';

/** How a client sounds, in a line; empty without samples. */
export function voiceLineOf(client: Pick<ClientProfile, 'voice'> | null): string {
	if (!client || client.voice.length === 0) return '';
	const { sentenceWords, person, contractions, uncontracted, grade } = measureVoice(client.voice);
	const contracts = contractions.count + uncontracted.count;
	const said = [
		`sentences of ${sentenceWords.lower}–${sentenceWords.upper} words`,
		person ? `speaks ${person === 'you' ? 'to' : 'as'} “${person}”` : '',
		contracts === 0
			? ''
			: contractions.count > uncontracted.count
				? 'contracts (“don’t”)'
				: 'rarely contracts',
		`grade ${grade.toFixed(0)}`
	];
	return said.filter(Boolean).join(', ');
}

/** Whether a client's samples write "don't" more often than "do not". */
export function isContracting(client: Pick<ClientProfile, 'voice'> | null): boolean {
	if (!client) return false;
	const { contractions, uncontracted } = measureVoice(client.voice);
	return contractions.count > uncontracted.count;
}
