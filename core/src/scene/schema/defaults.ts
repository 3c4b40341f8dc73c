import { z } from '../../zod.ts';

type Json = unknown;
type Shape = Readonly<Record<string, z.core.$ZodType>>;

const isSame = (a: Json, b: Json): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The default of a key, or undefined where it has none; a part of the scene that may be left out whole is what its own defaults make. */
function defaultOf(schema: z.core.$ZodType): { readonly value: Json } | undefined {
  if (schema instanceof z.ZodDefault) return { value: schema.def.defaultValue };
  if (schema instanceof z.ZodPrefault) return { value: (schema.unwrap() as z.ZodType).parse(schema.def.defaultValue) };
  return undefined;
}

/** All defaults of an object's keys. The schema is the only place where a default stands. */
export function defaultsOf(schema: z.ZodObject): Record<string, Json> {
  return Object.fromEntries(
    Object.entries(schema.shape as Shape).flatMap(([key, one]) => {
      const found = defaultOf(one);
      return found ? [[key, found.value]] : [];
    }),
  );
}

/** A value without what its schema would fill in again. */
export function withoutDefaults(schema: z.core.$ZodType, value: Json): Json {
  if (value === null || value === undefined) return value;
  if (schema instanceof z.ZodObject) {
    const given = value as Record<string, Json>;
    return Object.fromEntries(
      Object.entries(schema.shape as Shape).flatMap(([key, one]): [string, Json][] => {
        const found = defaultOf(one);
        if (given[key] === undefined || (found && isSame(found.value, given[key]))) return [];
        return [[key, withoutDefaults(one, given[key])]];
      }),
    );
  }
  if (schema instanceof z.ZodArray) return (value as Json[]).map((one) => withoutDefaults(schema.element, one));
  if (schema instanceof z.ZodDiscriminatedUnion) return withoutDefaults(optionOf(schema, value), value);
  if (
    schema instanceof z.ZodDefault ||
    schema instanceof z.ZodPrefault ||
    schema instanceof z.ZodReadonly ||
    schema instanceof z.ZodNullable ||
    schema instanceof z.ZodOptional
  )
    return withoutDefaults(schema.unwrap(), value);
  return value;
}

function optionOf(union: z.ZodDiscriminatedUnion, value: Json): z.core.$ZodType {
  const key = union.def.discriminator;
  const kind = (value as Record<string, Json>)[key];
  const option = union.options.find((one) => {
    const literal = one instanceof z.ZodObject ? (one.shape as Shape)[key] : undefined;
    return literal instanceof z.ZodLiteral && literal.value === kind;
  });
  if (!option) throw new TypeError(`no kind "${String(kind)}" of ${key}`);
  return option;
}
