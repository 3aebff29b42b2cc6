import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { knownNumbers } from './src/core/learn/own/standing';
import { calibrationOf } from './src/core/log/calibration';
import { tiedIn } from './src/core/learn/own/tied';
import './src/core/food/load';
const h = JSON.parse(gunzipSync(readFileSync('demo/history.json.gz')).toString());
for (const n of knownNumbers(h.learned.knowledge)) console.log(n.key.padEnd(40), n.by.toFixed(3), n.spread.toFixed(3), '/', n.before, n.rests.readings, n.rests.batches, n.epoch.n, n.epoch.why);
console.log(JSON.stringify(calibrationOf(h.lessons.flatMap((l:any)=>l.did.judged)), null, 0));
console.log(JSON.stringify(calibrationOf(h.lessons.slice(-50).flatMap((l:any)=>l.did.judged)), null, 0));
console.log(tiedIn(h.learned.knowledge).map(t=>t.keys.join(' + ')+' '+t.by.toFixed(2)+' ±'+t.spread.toFixed(3)));
const fl = h.lessons.filter((l:any)=>l.lesson.keys.includes('burner front-left'));
for (const {lesson,did} of fl) { const k=lesson.keys.indexOf('burner front-left'); console.log(lesson.at.slice(0,10), 'prec', lesson.precision[k][k].toFixed(1), 'est', (lesson.shift[k]/lesson.precision[k][k]).toFixed(2), did.steps.find((s:any)=>s.key==='burner front-left').after, did.steps[0].weight); }
console.log(h.logged.slice(-3), h.batches.at(-1).events.map((e:any)=>e.at.slice(11,19)+' '+JSON.stringify(e.body)));
