import { writeFileSync } from 'node:fs';
import { allMessages } from './messages';
import { TERMS } from './terms';

/** Writes down every message there is, for whoever brings Panache another language. */
const texts = [...new Set([...allMessages().found.map((f) => f.text), ...TERMS])].sort();
writeFileSync('src/core/text/messages.json', `${JSON.stringify(texts, null, 2)}\n`);
console.log(`${texts.length} messages`);
