/** How deep a form is held against its type. */
type Deeper = [never, 0, 1, 2, 3, 4, 5, 6];

type Union<T, All = T> = T extends unknown ? ([All] extends [T] ? false : true) : never;
type May<T> = { [K in keyof T]-?: Record<never, never> extends Pick<T, K> ? K : never }[keyof T];
type Path<Within extends string, K> = Within extends '' ? K & string : `${Within}.${K & string}`;
type Alike<A, B, At extends string> = [A] extends [B] ? ([B] extends [A] ? never : `${At}: other values`) : `${At}: other values`;

/**
 * Where the class of a form and its type in core are not the same: a field that one of them does not have, may leave out, or holds otherwise, by its path.
 * `never` where they are the same. Unions are held against one another as a whole.
 */
export type Drift<Form, Plain, At extends string = '', Depth extends number = 7> = [Depth] extends [never]
  ? never
  : [Form, Plain] extends [readonly (infer A)[], readonly (infer B)[]]
    ? Drift<A, B, `${At}[]`, Deeper[Depth]>
    : [Form, Plain] extends [object, object]
      ? Union<Form> | Union<Plain> extends false
        ? | Path<At, Exclude<keyof Form, keyof Plain> | Exclude<keyof Plain, keyof Form>>
          | `${Path<At, Exclude<May<Form>, May<Plain>> | Exclude<May<Plain>, May<Form>>>}: optional in one of them`
          | { [K in keyof Form & keyof Plain]-?: Drift<NonNullable<Form[K]>, NonNullable<Plain[K]>, Path<At, K>, Deeper[Depth]> }[keyof Form & keyof Plain]
        : Alike<Form, Plain, At>
      : Alike<Form, Plain, At>;

/** Fails to compile where forms and types are not the same, and names where. */
export type NoDrift<Found extends never> = Found;
