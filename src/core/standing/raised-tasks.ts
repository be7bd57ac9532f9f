/** Tasks no kind lists: the reckoning itself raises them. The first freshens a boiler, the second ends a standstill. */
export const flushTask = 'boiler-flush'
export const restartTask = 'restart'
