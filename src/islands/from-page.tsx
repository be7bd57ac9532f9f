import { type ComponentType, useState } from 'react'
import { island } from './island.tsx'

/**
 * What a page hands to its island. On the server it is the thing itself; a function is not written into the page, so
 * in a browser it is missing and is read from the JSON that stands beside the island.
 */
export type Handed<Props> = (() => Props) | null

/** What an island is handed. @example HandedTo<typeof MachineIsland> */
export type HandedTo<Island> = Island extends ComponentType<{ handed: Handed<infer Props> }> ? Props : never

const place = 'handed'

/**
 * An island that takes what its page hands over as plain JSON, see `HandedOver.astro`: written into an attribute, as
 * properties are, a machine's ledgers would take three times the room and be parsed twice.
 *
 * @example export const MachineIsland = fromPage(MachineView)
 */
export function fromPage<Props extends object>(View: ComponentType<Props>): ComponentType<{ handed: Handed<Props> }> {
  return island(function FromPage({ handed }: { handed: Handed<Props> }) {
    const [props] = useState<Props>(() =>
      handed ? handed() : JSON.parse(document.getElementById(place)!.textContent!),
    )
    return <View {...props} />
  })
}
