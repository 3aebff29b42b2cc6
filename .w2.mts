import { planFor } from './src/core/plan/plan';
import { demoHouse, demoRecipe } from './demo/demo';
import { titleOf } from './src/core/words/steps';
import { warningLine } from './src/core/plan/warningWords';
import { inEnglish } from './src/core/text/inWords';
import { placeWords } from './src/core/words/pans';
const h=demoHouse();
for (const id of ['roast-carrot-cream','crab-shell-bisque']) for (const [l,v,b] of [[6,1,0],[16,2,0],[40,3,3]] as const) {
    const p = planFor(demoRecipe(id), {litres:l, target: id[0]==='r'?55:160}, {vessel:h.vessels[v]!, burner:h.burners[b]!, kitchen:h.kitchen});
    console.log(id,l,'L',(p.found.volumeMl/1000).toFixed(2),'mPas',p.found.bowlViscosity.toFixed(0),'min',(p.seconds/60).toFixed(0),'runs',p.solved.runs,p.warnings.map(x=>x.severity+':'+inEnglish(warningLine(x))).join(' | '), Object.entries(p.beside).map(([n,x])=>n+': '+inEnglish(placeWords(x))));
    for (const s of p.solved.run.ran) console.log('   ',(s.before.seconds/60).toFixed(1).padStart(6),((s.pot.seconds-s.before.seconds)/60).toFixed(1).padStart(5),s.pan.padEnd(10),titleOf(s.step,s.before.celsius),s.pot.celsius.toFixed(0)+'°', (s.step as any).lots??'',(s.step as any).loads??'');
}
