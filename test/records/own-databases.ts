import { randomBytes } from 'node:crypto'
import { openDatabase } from '../../src/records/database.ts'

/** Databases of their own on the throwaway cluster, gone afterwards. */
export function databases() {
  const made: string[] = []
  const admin = openDatabase(process.env.EVENSHOT_ADMIN_URL!, 1)
  const urlOf = (template: string, name: string) => template.replace(/\/[^/]*$/, `/${name}`)
  return {
    async make() {
      const name = `evenshot_${randomBytes(5).toString('hex')}`
      await admin.raw('create database ?? owner evenshot_owner', [name])
      made.push(name)
      return {
        ownerUrl: urlOf(process.env.EVENSHOT_OWNER_URL!, name),
        appUrl: urlOf(process.env.EVENSHOT_DATABASE_URL!, name),
      }
    },
    async drop() {
      for (const name of made) await admin.raw('drop database ?? with (force)', [name])
      await admin.destroy()
    },
  }
}
