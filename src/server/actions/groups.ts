import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import { AnswerAsked, type GroupTold, PublishAsked } from '../../contract/groups';
import { changedLines } from '../../core/formats/changedLines';
import { kitchenWords } from '../../core/formats/kitchenWords';
import { recipeWords } from '../../core/formats/recipeWords';
import { GroupRules, groupRulesOf, withGroupRules } from '../../core/kitchen/groupRules';
import type { House } from '../../core/kitchen/house';
import { type KitchenFile, kitchenFileOf } from '../../core/kitchen/kitchenFile';
import { same } from '../../core/maths/same';
import { message } from '../../core/message/message';
import { Recipe } from '../../core/recipe/recipe';
import type { Words } from '../../core/text/inWords';
import { type Queryable, transaction } from '../data/database';
import { replaceHouse } from '../queries/kitchen';
import {
  type Published,
  readAnswers,
  readFigures,
  readGroup,
  readPublished,
  writeAnswer,
  writePublished,
} from '../queries/kitchens';
import {
  claimRecipe,
  holdRecipe,
  type RecipeBody,
  readRecipe,
  readRecipeNames,
  setArchived,
  writeVersion,
} from '../queries/recipes';
import { cannot, stale, unknown } from '../refusal';
import { acceptSaid } from '../saying';
import { theHouse } from './kitchen';

/** Days a group’s figures are of. */
const DAYS = 28;

/** A published recipe as the kitchen it goes to would keep it. */
const recipeOf = (p: Published): RecipeBody => p.body as RecipeBody;

/** The kitchen as it would be by published rules. */
const byRules = (file: KitchenFile, p: Published): KitchenFile =>
  withGroupRules(file, GroupRules.parse(p.body));

/** What taking it would change here, in words. */
async function changesOf(db: Queryable, house: House, p: Published, say: Words) {
  if (p.kind === 'rules') {
    const file = kitchenFileOf(house);
    return changedLines(kitchenWords(file, say), kitchenWords(byRules(file, p), say));
  }
  const own = await readRecipe(db, house.id, p.subject);
  return changedLines(own && recipeWords(own.body, say), recipeWords(recipeOf(p), say));
}

/** The group of the kitchen that is asked for, in the words of `say`; null where it is in none. */
export async function theGroup(db: pg.Pool, say: Words): Promise<GroupTold> {
  const group = await readGroup(db);
  if (!group) return null;
  const { id, name, leads } = group;
  const house = await theHouse(db);
  const answers = leads ? await readAnswers(db) : [];
  const published = [];
  for (const p of await readPublished(db, id)) {
    const { body: _body, ...told } = p;
    published.push({
      ...told,
      name: p.kind === 'recipe' ? recipeOf(p).name : '',
      changes: await changesOf(db, house, p, say),
      answers: answers.filter((a) => a.published === p.id && a.kitchen !== house.id),
    });
  }
  return {
    name,
    leads,
    published,
    figures: leads ? await readFigures(db, DAYS) : null,
    days: DAYS,
    recipes: leads ? (await readRecipeNames(db, house.id)).map((r) => ({ id: r.id, name: r.name })) : [],
  };
}

/** How many things a group published that this kitchen has not answered; null where it is in no group. */
export async function waitingOfGroup(db: Queryable): Promise<number | null> {
  const group = await readGroup(db);
  if (!group) return null;
  return group.leads ? 0 : (await readPublished(db, group.id)).filter((p) => p.answer === null).length;
}

/** Publishes a recipe as it stands here, or the rules, to the group this kitchen leads. What is the newest already is no new edition. */
export async function publish(
  pool: pg.Pool,
  input: unknown,
): Promise<{ readonly edition: number; readonly isNew: boolean }> {
  const asked = acceptSaid(PublishAsked, input);
  return transaction(async (db) => {
    const group = await readGroup(db);
    if (!group?.leads)
      throw cannot('group', message('this kitchen leads none'), message('the kitchen that leads the group'));
    const house = await theHouse(db);
    const recipe = asked.kind === 'recipe' ? await readRecipe(db, house.id, asked.recipe) : null;
    if (asked.kind === 'recipe' && !recipe) throw unknown('recipe', asked.recipe, []);
    const body = recipe ? recipe.body : groupRulesOf(kitchenFileOf(house));
    const subject = recipe ? recipe.recipe.id : '';
    const newest = (await readPublished(db, group.id)).find(
      (p) => p.kind === asked.kind && p.subject === subject,
    );
    if (newest && same(newest.body, body)) return { edition: newest.edition, isNew: false };
    const { kind, note, by } = asked;
    const edition = await writePublished(db, group.id, { id: randomUUID(), kind, subject, body, note, by });
    return { edition, isNew: true };
  }, pool);
}

/** Takes a published recipe as the newest version of this kitchen’s own, or begins with it. Its number. */
async function takeRecipe(db: Queryable, house: House, p: Published, saying: { note: string; by: string }) {
  const body = recipeOf(p);
  // Of another Panache, perhaps: what could not be cooked here is not kept.
  Recipe.parse(body);
  await claimRecipe(db, house.id, p.subject);
  await holdRecipe(db, house.id, p.subject);
  await setArchived(db, house.id, p.subject, false);
  const own = await readRecipe(db, house.id, p.subject);
  if (own && same(own.body, body)) return own.version;
  return writeVersion(db, house.id, body, saying);
}

/** Holds this kitchen to published rules from now on. The revision it is by then. */
async function takeRules(db: Queryable, house: House, p: Published, saying: { note: string; by: string }) {
  const file = kitchenFileOf(house);
  const next = byRules(file, p);
  return same(file, next) ? house.revision : replaceHouse(db, next, house.revision, saying);
}

/** Takes or declines the newest edition of something published. Said twice it is said once; what was taken is not declined after. */
export async function answer(
  pool: pg.Pool,
  id: string,
  input: unknown,
): Promise<{ readonly takenAs: number | null }> {
  const said = acceptSaid(AnswerAsked, input);
  return transaction(async (db) => {
    await db.query('SELECT 1 FROM kitchen FOR UPDATE');
    const group = await readGroup(db);
    const p = group && (await readPublished(db, group.id)).find((x) => x.id === id);
    if (!group || !p) throw stale('published');
    if (group.leads)
      throw cannot('answer', message('this kitchen published it'), message('a kitchen it was published to'));
    if (p.answer === said.answer) return { takenAs: p.takenAs };
    if (p.answer === 'taken')
      throw cannot(
        'answer',
        message('it was taken'),
        message('an older version made the newest again, under Versions'),
      );
    const house = await theHouse(db);
    const saying = {
      by: said.by,
      note: `${group.name}, edition ${p.edition}${p.note ? `: ${p.note}` : ''}`.slice(0, 200),
    };
    const takenAs =
      said.answer === 'declined'
        ? null
        : await (p.kind === 'recipe' ? takeRecipe : takeRules)(db, house, p, saying);
    await writeAnswer(db, house.id, { published: p.id, answer: said.answer, takenAs, by: said.by });
    return { takenAs };
  }, pool);
}
