import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { expect } from 'chai'
import { coverage } from '../../scripts/coverage.ts'
import { kinds } from '../../src/core/kinds/index.ts'
import { kindSchema } from '../../src/core/kinds/kind-schema.ts'
import { toJsonSchema } from '../../src/core/parse/to-json-schema.ts'
import type { Db } from '../../src/records/database.ts'
import { exportFirm } from '../../src/services/export-firm.ts'
import { firmDataSchema, passportSchema } from '../../src/services/firm-data-schema.ts'
import { machinePassport } from '../../src/services/passport.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, firstEntries, type SmallFirm, smallFirm, testNow } from '../records/a-database.ts'

const docs = join(import.meta.dirname, '../../docs')
const ajv = new Ajv2020({ strict: false, formats: { uuid: true, date: true, 'date-time': true } })

describe('the described files', () => {
  let db: Db
  let firm: SmallFirm
  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db, 'Described & Sons')
    const actor = { firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const }
    await writeEntries(db, actor, firstEntries(firm.c2, 'c2'), { now: testNow })
    const way = entryAbout('firm', firm.firmId, 'setting', { setting: 'policy', policy: 'cautious' })
    await writeEntries(db, actor, [way], { now: testNow })
  })
  after(() => db.destroy())

  const exported = async () => {
    const pieces: string[] = []
    await exportFirm(db, firm.firmId, (piece) => void pieces.push(piece))
    return JSON.parse(pieces.join(''))
  }

  for (const [name, schema] of [
    ['firm-data', firmDataSchema],
    ['passport', passportSchema],
    ['kind', () => toJsonSchema(kindSchema, 'A kind of machine')],
  ] as const)
    it(`are in the docs as they are: ${name} (npm run schemas)`, () => {
      expect(JSON.parse(readFileSync(join(docs, `${name}.schema.json`), 'utf8'))).to.deep.equal(
        JSON.parse(JSON.stringify(schema())),
      )
    })

  it('what the kinds cover is in the docs as it is (npm run schemas), each part of every kind', () => {
    const page = readFileSync(join(docs, 'coverage.md'), 'utf8')
    expect(page).to.equal(coverage())
    for (const { id, tasks } of kinds)
      for (const { name } of tasks) {
        const rows = page.split('\n').filter((line) => line.startsWith(`| ${name}`))
        expect(
          rows.some((line) => line.split('|').at(-2)!.split(' ').includes(id)),
          `${name} of ${id}`,
        ).to.equal(true)
      }
  })

  it('describe every kind that ships, checked by a validator of its own', () => {
    const valid = ajv.compile(toJsonSchema(kindSchema, 'A kind of machine'))
    for (const kind of kinds)
      expect(valid(JSON.parse(JSON.stringify(kind))), `${kind.id} ${JSON.stringify(valid.errors)}`).to.equal(true)
    expect(valid({ ...kinds[0], wheels: 4 })).to.equal(false)
  })

  it('hold for what goes out, checked by a validator of its own', async () => {
    const validFirm = ajv.compile(firmDataSchema())
    expect(validFirm(await exported()), JSON.stringify(validFirm.errors)).to.equal(true)
    const validPassport = ajv.compile(passportSchema())
    const passport = JSON.parse(JSON.stringify(await machinePassport(db, firm.firmId, firm.c2)))
    expect(validPassport(passport), JSON.stringify(validPassport.errors)).to.equal(true)
  })

  it('refuse what the reader refuses', async () => {
    const valid = ajv.compile(firmDataSchema())
    const spoilt: ((file: Awaited<ReturnType<typeof exported>>) => void)[] = [
      (file) => (file.entries[0].body.surplus = 1),
      (file) => (file.entries[0].kind = 'unheard-of'),
      (file) => delete file.machines[0].kind,
      (file) => (file.version = 99),
      (file) => (file.sites[0].latitude = 91),
      (file) => (file.extra = []),
    ]
    for (const spoil of spoilt) {
      const file = await exported()
      spoil(file)
      expect(valid(file), String(spoil)).to.equal(false)
    }
  })
})
