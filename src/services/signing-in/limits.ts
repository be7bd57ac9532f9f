const dayMs = 86_400_000

/** How long a session lasts, whatever is done with it. */
export const sessionMs = 60 * dayMs
/** How long one may lie unused. */
export const idleMs = 14 * dayMs
/** How long a session that is over still hands in work: what a device has not sent yet is not lost to a clock. */
export const handsInMs = 30 * dayMs
/** How long after showing who one is nobody asks again before a key or all data is handed out. */
export const shownForMs = 20 * 60_000
/** How long a sign-in may stand between password and second proof. */
export const halfWayMs = 10 * 60_000
