/**
 * The header of an answer to a device that was signed out from elsewhere: `lost`, it forgets all that it keeps; `left`, its
 * holder left the firm, and it hands in first what they wrote.
 */
export const shutOutHeader = 'x-evenshot-shut-out'
