/** With a pump, so with pressure and water of its own: all but the grinder. */
export const pumped = ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt', 'sr', 'st', 'sp', 'pk', 'pl', 'pd']

/** With a boiler that stands under pressure. */
export const boilers = ['c2', 'lv', 'pt', 'sp']

/** Heated by a block, or by a boiler of a cup or two. */
export const smallBlocks = pumped.filter((kind) => !boilers.includes(kind))

/** On the mains, or may be. */
export const plumbed = ['c2', 'sp', 'lv', 'pt']

/** With a steam wand. */
export const withWand = ['c2', 'lv', 'pt', 'dv', 'dn', 'dg', 'bt']
