import { randomUUID } from 'node:crypto';
import { redirect } from 'next/navigation';
import { message } from '../../core/message/message';
import { Recipe } from '../../core/recipe/recipe';
import { Day } from '../../core/service/schema';
import type { Service } from '../../core/service/service';
import { dayOf } from '../../core/units/clock';
import { openDay } from '../../server/actions/services';
import { pool } from '../../server/data/database';
import { theRail } from '../../server/live/theRail';
import { readHouse } from '../../server/queries/kitchen';
import { readBodies, readRecipeNames } from '../../server/queries/recipes';
import { nextDay } from '../../server/queries/services';
import { ServiceView } from '../../ui/service/ServiceView';
import { EmptyHouse } from '../../ui/shared/EmptyHouse';
import { titled, wordsHere } from '../reader';

export const generateMetadata = titled('Service');
export const dynamic = 'force-dynamic';

type Query = { readonly day?: string; readonly id?: string };

/** What a day without a service begins with. */
const empty = (day: string, name: string): Service => ({
  format: 'panache.service/1',
  id: randomUUID(),
  name,
  day,
  covers: null,
  hands: 2,
  opens: 360,
  keptOn: 'bath',
  wash: 10,
  tools: { 'stick blender': 1, 'jug blender': 1, sieve: 1 },
  soups: [],
  placed: {},
  started: {},
});

export default async function ServicePage({ searchParams }: { searchParams: Promise<Query> }) {
  const { day: asked, id } = await searchParams;
  const db = pool();
  const house = await readHouse(db);
  if (!house) return <EmptyHouse />;
  const day = Day.safeParse(asked).success
    ? (asked as string)
    : await nextDay(db, house.id, dayOf(new Date(), house.keeping.dayEnds));
  if (asked !== undefined && asked !== day) redirect(`/service?day=${day}`);
  const [opened, names, tickets, say] = await Promise.all([
    openDay(db, day),
    readRecipeNames(db, house.id),
    theRail(),
    wordsHere(),
  ]);
  const first = opened.services.find((s) => s.service.id === id) ?? opened.services[0];
  const [turn] = opened.turn;
  // A menu that comes round brings its service; it is kept once something is changed on it.
  const begun = turn ? { ...turn, id: randomUUID(), day, started: {} } : empty(day, say(message('Service')));
  const shown = first ?? { service: begun, revision: 0 };
  // Of the recipes there are, those on this board with what is in them.
  const wanted = new Set(shown.service.soups.map((s) => s.order.recipeId));
  const here = names.filter((r) => wanted.has(r.id));
  const bodies = await readBodies(db, house.id, here);
  const recipes = bodies.flatMap((body) => (body ? [Recipe.parse(body)] : []));
  const soups = names.map(({ id, name, school }) => ({ id, name, school }));
  return (
    <ServiceView key={shown.service.id} stores={{ house, recipes, soups }} first={shown} tickets={tickets} />
  );
}
