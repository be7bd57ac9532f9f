// What a site's page needs once it stands: in one piece after it.
export { ContractSheet } from './ContractSheet.tsx'
export { KeepHere } from './KeepHere.tsx'
export { MachineForm } from './MachineForm.tsx'
export { PlaceSheet } from './PlaceSheet.tsx'
export { ClosureSheet, EditSiteSheet, MonthsSheet, OpeningSheet } from './SiteSheets.tsx'
export { SoftenerForm } from './SoftenerForm.tsx'
export { SoftenerSheet } from './SoftenerSheet.tsx'
export { VisitHoursSheet } from './VisitHoursSheet.tsx'
