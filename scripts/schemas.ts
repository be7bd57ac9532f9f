import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { kindSchema } from '../src/core/kinds/kind-schema.ts'
import { toJsonSchema } from '../src/core/parse/to-json-schema.ts'
import { procedureSchema } from '../src/core/procedures/procedure-schema.ts'
import { firmDataSchema, passportSchema } from '../src/services/firm-data-schema.ts'
import { affectsTable } from './affects-table.ts'
import { coverage } from './coverage.ts'
import { root } from './install.mjs'

// `npm run schemas`: writes the descriptions of the files that go out and come in, of what the kinds cover, and of whose
// dates an entry moves, after a change of theirs.
for (const [name, schema] of [
  ['firm-data', firmDataSchema()],
  ['passport', passportSchema()],
  ['kind', toJsonSchema(kindSchema, 'A kind of machine')],
  ['procedure', toJsonSchema(procedureSchema, 'A procedure')],
] as const)
  writeFileSync(join(root, 'docs', `${name}.schema.json`), `${JSON.stringify(schema, null, 1)}\n`)
writeFileSync(join(root, 'docs', 'coverage.md'), coverage())
writeFileSync(join(root, 'src', 'core', 'ledger', 'affects-table.ts'), affectsTable())
