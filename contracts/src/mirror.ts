/** `true` where two types are the same: assigning `true` to it makes the compiler check a schema against the core type that it mirrors. */
export type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false
