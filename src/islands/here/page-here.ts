import type { ReactNode } from 'react'
import type { AboutDevice } from '../../device/about-device.ts'

/** A page as this device draws it. */
export interface PageHere {
  title: string
  /** Of the place it is about; the firm’s own where it is about none. */
  timeZone: string
  view: ReactNode
}

export interface Opening {
  url: URL
  /** What stands in the path where the pattern has a gap. */
  id: string
  about: AboutDevice
  now: Date
  /** Asks for JSON: from the network where it answers, else from what is packed. @throws where neither has it */
  ask<T>(address: string, isPage?: boolean): Promise<T>
}
