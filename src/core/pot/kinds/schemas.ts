import type * as z from 'zod';
import { schema as add } from './add/schema';
import { schema as bringTo } from './bring-to/schema';
import { schema as chill } from './chill/schema';
import { schema as dust } from './dust/schema';
import { schema as hold } from './hold/schema';
import { schema as keep } from './keeping/schema';
import { schema as poach } from './poach/schema';
import { schema as pour } from './pour/schema';
import { schema as puree } from './puree/schema';
import { schema as reduce } from './reduce/schema';
import { schema as reheat } from './reheat/schema';
import { schema as render } from './render/schema';
import { schema as rest } from './rest/schema';
import { schema as roast } from './roast/schema';
import { schema as roux } from './roux/schema';
import { schema as season } from './season/schema';
import type { Shapes } from './shapes';
import { schema as simmer } from './simmer/schema';
import { schema as strain } from './strain/schema';
import { schema as sweat } from './sweat/schema';
import { schema as temper } from './temper/schema';
import { schema as thicken } from './thicken/schema';

/** The shape of each kind of step. */
export const schemasOf = <A extends z.ZodType, F extends z.ZodType>(s: Shapes<A, F>) =>
  [
    sweat(s),
    render(s),
    roux(s),
    dust(s),
    add(s),
    bringTo(s),
    simmer(s),
    reduce(s),
    puree(s),
    strain(s),
    thicken(s),
    temper(s),
    poach(s),
    season(s),
    rest(s),
    hold(s),
    chill(s),
    reheat(s),
    keep(s),
    pour(s),
    roast(s),
  ] as const;
