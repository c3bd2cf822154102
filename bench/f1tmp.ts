import { readLayouts, wordMatch, cleanedOf, headingRecall } from '/work/main/tests/support/layouts';
import { cleanPage, textOf } from '/work/main/src/lib/core/pages';
const only = process.argv[2];
let sum=0,n=0,h=0,hn=0;
for (const l of readLayouts()) {
  if (only && !l.name.includes(only)) continue;
  const c = cleanedOf(l);
  const m = wordMatch(c.text, l.expected);
  const hr = headingRecall(c.headings, l.headings);
  sum+=m.f1;n++;h+=hr*l.headings.length;hn+=l.headings.length;
  console.log(l.name.padEnd(30), m.precision.toFixed(3), m.recall.toFixed(3), m.f1.toFixed(3), 'h', hr.toFixed(2), l.headings.length);
  if (only) { const r = cleanPage(l.html); if (r.kind==='cleaned') for (const b of r.article.blocks) console.log((b.dropped??'KEEP').padEnd(20), b.block.kind, textOf(b.block).slice(0,90).replace(/\n/g,' | ')); console.log('EXPECTED', l.headings); }
}
console.log('mean', (sum/n).toFixed(4), 'headings', (h/hn).toFixed(4));
