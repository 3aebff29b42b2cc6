import { demoHouse } from '../../../demo/demo';
import { middleOf } from '../flow/bands';
import { planFor } from '../plan/plan';
import { Recipe } from './recipe';
import { SCHOOL_LITRES, SCHOOLS, schoolOf } from './schools';

const { kitchen, vessels, burners } = demoHouse();

test.each(SCHOOLS.map((s) => [s.id, s] as const))(
  '%s: the soup it begins with can be cooked as it stands: it lands, nothing stops it and nothing is raw or split',
  (_id, school) => {
    const home = { vessel: vessels[1]!, burner: burners[0]! };
    const recipe = Recipe.parse({
      format: 'panache.recipe/1',
      id: 'new',
      name: 'New soup',
      school: school.school,
      yieldLitres: SCHOOL_LITRES,
      band: 'Coating',
      home,
      ...(school.pans && { pans: school.pans }),
      steps: school.steps,
    });
    const target = middleOf('Coating', kitchen.bandLimits);
    const plan = planFor(recipe, { litres: SCHOOL_LITRES, target }, { ...home, kitchen });
    expect(plan.solved.missed).toEqual([]);
    expect(plan.found.band).toBe('Coating');
    expect(plan.found.volumeMl / 1000 / SCHOOL_LITRES).toBeCloseTo(1, 1);
    expect(plan.warnings.filter((w) => w.severity !== 'caution').map((w) => w.kind)).toEqual([]);
    expect(plan.warnings.map((w) => w.kind)).not.toContain('hard');
    expect(plan.warnings.map((w) => w.kind)).not.toContain('raw-flour');
    expect(schoolOf(school.id)).toBe(school);
  },
);
