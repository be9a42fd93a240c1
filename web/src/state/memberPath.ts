import type { Plan } from "../api/types";

/** The path of a member, as problems and guesses name it: "lines[0].seat.heightM". One that is misspelt does not compile. */
export type MemberPath = Members<Plan>;

/** The paths of all members that hold a part of this kind, as two places of the plan hold an anchor. */
export type PathOf<Part> = Holding<Plan, Part>;

/** The paths of all parts that have a member of this name, as every piece of gear has an item id. */
export type OwnerOf<Name extends string> = MemberPath extends infer P
  ? P extends `${infer Owner}.${Name}`
    ? Owner
    : never
  : never;

type Value<T> = Exclude<T, undefined>;

type Members<T> = {
  [K in keyof T & string]: K | Below<K, Value<T[K]>>;
}[keyof T & string];

type Below<P extends string, V> = V extends readonly (infer U)[]
  ? `${P}[${number}]` | (Value<U> extends object ? `${P}[${number}]${After<Value<U>>}` : never)
  : V extends object
    ? `${P}.${Members<V>}`
    : never;

type After<V> = V extends readonly (infer U)[]
  ? `[${number}]` | (Value<U> extends object ? `[${number}]${After<Value<U>>}` : never)
  : `.${Members<V>}`;

type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false;

type Holding<T, Part> = {
  [K in keyof T & string]:
    | (Same<Value<T[K]>, Part> extends true ? K : never)
    | (Value<T[K]> extends readonly (infer U)[]
        ? | (Same<Value<U>, Part> extends true ? `${K}[${number}]` : never)
          | (Value<U> extends object ? `${K}[${number}].${Holding<Value<U>, Part>}` : never)
        : Value<T[K]> extends object
          ? `${K}.${Holding<Value<T[K]>, Part>}`
          : never);
}[keyof T & string];
