import type { AboutDevice } from '../../device/about-device.ts'
import type { PageHere } from './page-here.ts'
import { WaitsIsland } from './WaitsPage.tsx'

export const openWaits = ({ firm }: AboutDevice): PageHere => ({
  title: 'What waits',
  timeZone: firm.timeZone,
  view: <WaitsIsland />,
})
