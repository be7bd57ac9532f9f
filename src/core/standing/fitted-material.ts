import type { Kind } from '../kinds/kind.ts'
import type { Histories } from './histories.ts'
import { fittedVariant } from './last-done.ts'

/** What a part is reckoned as being made of. */
interface FittedMaterial {
  /** One of the kind's materials for the part; undefined where it has only one. */
  material: string | undefined
  /** What was noted, where the kind knows no such material: it was reckoned as the usual one. */
  unknown: string | null
}

/**
 * The material a part is reckoned by: the one noted when it was fitted last, as the kind spells it, else the usual one.
 * A part noted as "EPDM, blue" is still in the machine and still ages: an unknown word never takes its date away.
 * @param index - which of several, from 1
 * @example materialFitted(c2, histories, 'group-gasket', 1) // { material: 'silicone', unknown: null }
 */
export function materialFitted(
  kind: Kind,
  histories: Histories,
  part: string,
  index: number | undefined,
): FittedMaterial {
  const materials = kind.parts.find(({ id }) => id === part)?.variants ?? []
  return materialOf(materials, fittedVariant(histories, part, index))
}

/** The kind's own word for a noted material; the first, its usual one, for none or for an unknown one. */
export function materialOf(materials: string[], noted: string | null): FittedMaterial {
  const spelled = noted
    ?.trim()
    .toLowerCase()
    .replaceAll(/[\s_]+/g, '-')
  const known = materials.find((one) => one === spelled)
  return { material: known ?? materials[0], unknown: noted !== null && !known ? noted : null }
}
