import type { Sheet } from '../../core/strip-down/sheet.ts'
import { shelf } from '../../device/shelf.ts'

/** A sheet as it is kept on this device: whole, with photos that could not be sent yet. */
export interface KeptSheet {
  title: string
  known?: string
  sheet: Sheet
  /** Photos by the name they bear here, in base64, until they have one of the server's. */
  waiting: Record<string, string>
  id: string
  /** Names of its entries, kept so that sending twice writes once. */
  ids?: string[]
}

/** By machine. */
export const keptSheets = shelf<KeptSheet>({
  name: 'strip-down',
  version: 1,
  schema: async () => (await import('./sheet-schema.ts')).sheetSchema,
  former: (machineId) => `evenshot-strip-down-${machineId}`,
})
