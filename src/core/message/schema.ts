import * as z from 'zod';
import type { Message, Value } from './message';

const ValueSchema: z.ZodType<Value> = z.lazy(() =>
  z.union([
    z.string().max(2000),
    z.number(),
    MessageSchema,
    z.strictObject({ celsius: z.number(), toCelsius: z.number() }),
    z.strictObject({ celsius: z.number(), exact: z.literal(true).optional() }),
    z.strictObject({ ml: z.number() }),
    z.strictObject({ litres: z.number() }),
    z.strictObject({ and: z.array(ValueSchema).max(60) }),
    z.strictObject({ or: z.array(ValueSchema).max(60) }),
    z.strictObject({ all: z.array(ValueSchema).max(60) }),
    z.strictObject({ listed: z.array(ValueSchema).max(60) }),
    z.strictObject({ loud: MessageSchema }),
    z.strictObject({ within: z.union([z.string().max(2000), MessageSchema]) }),
    z.strictObject({ opening: z.union([z.string().max(2000), MessageSchema]) }),
  ]),
);

/** A message as it is kept in a record, to be said in whatever language and units it is read in. */
export const MessageSchema: z.ZodType<Message> = z.lazy(() =>
  z.strictObject({
    text: z.string().min(1).max(600),
    values: z.record(z.string(), ValueSchema).optional(),
  }),
) as z.ZodType<Message>;
