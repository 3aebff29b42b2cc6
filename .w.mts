import { WAYS_OF_PANS, recipeOfPans } from './src/core/plan/waysOfPans.testKit';
import { planFor } from './src/core/plan/plan';
import { demoHouse } from './demo/demo';
import { titleOf } from './src/core/words/steps';
import { warningLine } from './src/core/plan/warningWords';
import { inEnglish } from './src/core/text/inWords';
const h=demoHouse();
const only = process.argv[2];
for (const w of Object.keys(WAYS_OF_PANS) as (keyof typeof WAYS_OF_PANS)[]) {
  if (only && !w.includes(only)) continue;
  for (const k of [1,2,10]) {
    const vessel = h.vessels[k===1?1:k===2?2:3]!, burner=h.burners[k===10?3:0]!;
    try {
    const r = recipeOfPans(w);
    const t=Date.now();
    const p = planFor(r, {litres:4*k, target: 160}, {vessel, burner, kitchen:h.kitchen});
    console.log(w,'x'+k, 'L',(p.found.volumeMl/1000).toFixed(2),'mPas',p.found.bowlViscosity.toFixed(0),'min',(p.seconds/60).toFixed(0),'ms',Date.now()-t,'runs',p.solved.runs,p.warnings.map(x=>x.severity+':'+inEnglish(warningLine(x))).join(' | '));
    if (k===1||only) for (const s of p.solved.run.ran) console.log('   ',(s.before.seconds/60).toFixed(1).padStart(6),((s.pot.seconds-s.before.seconds)/60).toFixed(1).padStart(5),s.pan.padEnd(10),titleOf(s.step,s.before.celsius),s.pot.celsius.toFixed(0)+'°', (s.step as any).lots??'',(s.step as any).loads??'');
    } catch(e) { console.log(w,k,String((e as Error).stack).slice(0,700)); }
  }
}
