import '../src/core/food/load.ts';
import { openFile } from '../src/core/formats/openFile.ts';
import { recipeFrom } from '../src/core/formats/draft/draft.ts';
import { demoHouse } from '../demo/demo.ts';
import { readFileSync } from 'node:fs';
const text = readFileSync(process.argv[2]!, 'utf8');
const o = openFile(text);
if (o.kind !== 'drafts') { console.log(JSON.stringify(o, null, 1)); process.exit(); }
for (const d of o.drafts) {
  console.log('##', d.name, '|', d.yieldText);
  for (const l of d.lines) console.log('  ', l.when.padEnd(18), l.amount, '|', l.ingredient, '|', l.prep, '|', l.doubts.map((x) => x.text).join('; '));
  for (const t of d.told) console.log('   >', t.deeds.join(',') || '-', ':', t.text);
  for (const s of d.source.filter((s) => s.as === 'note')) console.log('   note:', s.text);
  const r = recipeFrom(d.name || 'x', d.lines.filter((l) => l.when !== 'left out').map((l) => ({ ingredient: l.ingredient!, amount: l.amount!, prep: l.prep, when: l.when })), d.instructions, { dose: false, liquid: false }, demoHouse());
  console.log(r.ok ? r.asWritten : JSON.stringify(r));
  if (r.ok) for (const s of r.body.steps) console.log('   *', JSON.stringify(s).slice(0, 260));
}
