import { Complaint, complain } from './say.mjs';

const [major, minor] = process.versions.node.split('.').map(Number);

const COMMANDS = {
  start: [
    'serve.mjs',
    'install what is missing, load the demo, build, serve; a backup each day [--every 6h|never --keep 30 --to FOLDER]; --lan: on the kitchen’s network, by https',
  ],
  dev: ['serve.mjs', 'the same with the development server'],
  test: ['test.mjs', 'types, lint, boundaries, unit, checks, database and end-to-end tests'],
  plan: [
    'headless.mjs',
    'plan FILE [--litres N | --portions N --portion-ml M] [--pot ID|36x34] [--burner ID|gas:7kW] [--target BAND|mPa·s] [--thicken STARCH] [--altitude M] [--json]',
  ],
  predict: [
    'headless.mjs',
    'predict FILE: a recipe as written, step by step; takes --litres, --pot, --burner, --altitude, --json',
  ],
  fix: [
    'headless.mjs',
    'fix FILE --at STEP --measured mPa·s --minutes N [--hand ID,ID]: what can be done about a pot that came out otherwise',
  ],
  schema: ['headless.mjs', 'print the JSON Schema of a recipe file'],
  service: [
    'service.mjs',
    'print a systemd unit that starts it with the machine, and again whenever it ends',
  ],
  drill: ['drill.mjs', 'attack it: kills, cuts, floods, wrong clocks, foreign pages; says what held'],
  verify: [
    'verify.mjs',
    'verify [KITCHEN] [--head N:HASH …]: whether anything in the record was changed, removed or slipped in, against heads printed on an export',
  ],
  parts: ['parts.mjs', 'the parts of the record, one a month, and which are put away'],
  'put-away': [
    'parts.mjs',
    'put-away NAME FILE: a part older than three months goes to a file, its lines leave the database',
  ],
  'bring-back': ['parts.mjs', 'bring-back FILE: and comes back, each line tried by the chain of the record'],
  recover: [
    'parts.mjs',
    'recover FILE [--head N:HASH …]: what a month’s file has and a database that was cut or restored from an older copy has not',
  ],
  mend: ['parts.mjs', 'put back into the record the lines that stand aside because another has their id'],
  backup: [
    'backup.mjs',
    'backup [FILE]: database, counts and heads of the record in one file; [FOLDER] --every 6h --keep 30 goes on doing it',
  ],
  restore: [
    'backup.mjs',
    'restore FILE: a backup in place of the database, counted and followed first; what stood there is set aside',
  ],
  code: ['stations.mjs', 'code [KITCHEN]: print a code that lets a lead’s screen in over the network'],
  kitchens: [
    'kitchens.mjs',
    'kitchens [list | add NAME | group NAME HEAD ID …]: more kitchens in one database, and which of them leads a group',
  ],
  pin: [
    'stations.mjs',
    'pin [KITCHEN]: take the lead’s PIN away where it was lost, and print a code for a lead’s screen',
  ],
  db: ['db.mjs', 'open psql on the private database'],
  bench: ['bench.mjs', 'benchmarks as bars: each ratio beside what it is held to [--only NAME]'],
  screenshots: ['screenshots.mjs', 'take docs/screenshots anew from the demo data'],
};

const help = `Panache\n${Object.entries(COMMANDS)
  .map(([name, [, does]]) => `  ./panache ${name.padEnd(12)} ${does}`)
  .join('\n')}
  PORT=…          serve on that port (default: the first free one from 3000)
  HOST=0.0.0.0    let other devices on the network reach it, each by a code (default: this machine only)
  PANACHE_HOSTS=… names it answers to besides its own, with commas (a proxy in front of it)
  PANACHE_LAN=on  the same as --lan, for where no argument can be given
  TRUST_PROXY=1   a proxy on this machine is believed whom it speaks for (or its addresses, with commas)
  PANACHE_BACKUPS=… folder for backups, best on another disk (default: .panache/backups; off for none)
  DATABASE_URL=…  use that PostgreSQL and start none
  DEVICES_URL=…   read probes, scale and flow timer from that bridge and simulate none`;

const [name = 'help', ...rest] = process.argv.slice(2);

try {
  if (major < 20 || (major === 20 && minor < 9)) {
    throw new Complaint(`Node ${process.versions.node} is too old: install Node 20.9 or newer.`);
  }
  const command = COMMANDS[name];
  if (!command) {
    if (name !== 'help' && name !== '--help') throw new Complaint(`“${name}” is not a command.\n${help}`);
    console.log(help);
  } else {
    const { run } = await import(`./${command[0]}`);
    await run(name, rest);
  }
} catch (error) {
  complain(error);
}
