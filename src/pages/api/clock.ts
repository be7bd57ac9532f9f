import { endpoint, json } from '../../server/api.ts'

/** What time it is here, and who is signed in: a device asks before it sends what it wrote without network. */
export const GET = endpoint(async ({ locals }, { technician }) =>
  json({
    now: locals.now.toISOString(),
    technicianId: technician.id,
    // What they wrote is taken; then their device forgets all it keeps.
    ...(technician.leftOn && { isLeaving: true }),
  }),
)
