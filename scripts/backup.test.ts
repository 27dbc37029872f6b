/** A house backed up here and restored on another machine: the same days with the same heads, and nothing for whoever has no passphrase. */
import { copyFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { buildServer } from './lib/build.mjs'
import { backUp, restore } from './lib/keep.mjs'
import { DATA } from './lib/paths.mjs'
import { openCluster, type Cluster } from './lib/postgres.mjs'
import { requirePostgres } from './lib/requirements.mjs'
import { KEY_FILE, prepareDatabase } from './lib/server.mjs'

const HOUSE = `able_gauge_kept_${process.pid}`
const PASSPHRASE = 'twelve grey seals at noon'
const bin = requirePostgres()

let folder: string
let here: Cluster
let elsewhere: Cluster
let file: string
const [keyHere, keyElsewhere] = ['here', 'elsewhere'].map((name) => (): string => path.join(folder, `${name}.pem`))
const keysOf = (key: (() => string) | undefined, passphrase = PASSPHRASE) => ({ passphrase, keyFile: key?.() ?? '' })

beforeAll(async () => {
  await buildServer()
  folder = mkdtempSync(path.join(DATA, 'backup-test-'))
  file = path.join(folder, 'house.backup')
  here = await openCluster(bin, path.join(DATA, 'backup-postgres'), { lasting: false })
  elsewhere = await openCluster(bin, path.join(DATA, 'backup-postgres-elsewhere'), { lasting: false })
  await here.makeDatabase(HOUSE)
  // the demo stands in for years of days, five of them signed
  prepareDatabase(here, HOUSE, true)
  // with which the demo's days were signed
  copyFileSync(KEY_FILE, keyHere?.() ?? '')
  await backUp(here, bin, HOUSE, file, keysOf(keyHere))
})
afterAll(async () => {
  for (const cluster of [here, elsewhere]) {
    const { rows } = await ask(
      cluster,
      'postgres',
      `select datname as name from pg_database where datname like '${HOUSE}%'`,
    )
    for (const { name } of rows as { name: string }[]) await cluster.dropDatabase(name)
    cluster.stop()
  }
  rmSync(folder, { recursive: true, force: true })
})

const ask = async (cluster: Cluster, database: string, sql: string): Promise<pg.QueryResult> => {
  const client = new pg.Client({ connectionString: cluster.superUrl(database) })
  await client.connect()
  try {
    return await client.query(sql)
  } finally {
    await client.end()
  }
}
const namesOf = async (cluster: Cluster): Promise<string[]> => {
  const { rows } = await ask(
    cluster,
    'postgres',
    `select datname as name from pg_database where datname like '${HOUSE}%'`,
  )
  return (rows as { name: string }[]).map(({ name }) => name)
}
/** Everything a house is known by: the heads of its signed days, and how much there is of the rest. */
const headsOf = async (cluster: Cluster): Promise<unknown> =>
  (
    await ask(
      cluster,
      HOUSE,
      `select o.id, s.head, s.signature, l.last_seq, count(c.id) as captures
         from occasions o left join sign_offs s on s.occasion_id = o.id join capture_ledger l on l.occasion_id = o.id
         left join captures c on c.occasion_id = o.id group by 1, 2, 3, 4 order by 1`,
    )
  ).rows

/** What starts whole databases once more waits for the run before a release. */
const SHORT = process.env['ABLE_GAUGE_LONG'] !== '1'

test('a backup shows nothing in clear but when it was made', () => {
  const text = readFileSync(file, 'latin1')
  expect(text).toMatch(/^able-gauge backup 1\n\{"made":"20/)
  for (const secret of ['Okafor', 'Lofthouse', 'scrypt2', 'PRIVATE KEY', 'publicKey'])
    expect(text).not.toContain(secret)
})

test('restored on another machine it has the same days with the same heads, and its former key is believed there', async () => {
  const { counts, erased, replaced } = await restore(elsewhere, bin, HOUSE, file, keysOf(keyElsewhere))
  expect(counts.captures).toBeGreaterThan(1_000)
  expect([erased, replaced]).toEqual([0, null])
  expect(await headsOf(elsewhere)).toEqual(await headsOf(here))
  const signed = await ask(elsewhere, HOUSE, 'select distinct public_key from sign_offs')
  const believed = await ask(elsewhere, HOUSE, 'select public_key from trusted_keys')
  expect(believed.rows).toEqual(signed.rows)
  // the application's role may there what it may here, and no more
  const rights = (cluster: Cluster) =>
    ask(
      cluster,
      HOUSE,
      `select grantee, table_name, privilege_type from information_schema.role_table_grants
        where grantee = 'able_gauge_app' order by 1, 2, 3`,
    )
  expect((await rights(elsewhere)).rows).toEqual((await rights(here)).rows)
}, 120_000)

test('who was erased since, and who was signed in then, do not come back; what was there keeps a name', async () => {
  const { rows } = await ask(
    elsewhere,
    HOUSE,
    `select p.id, p.family_name from people p where not exists (
       select 1 from entries e join occasions o on o.id = e.occasion_id
        where e.person_id = p.id and not exists (select 1 from sign_offs s where s.occasion_id = o.id)) limit 1`,
  )
  const [person] = rows as { id: string; family_name: string }[]
  await ask(
    elsewhere,
    HOUSE,
    `update people set given_name = 'Erased', family_name = 'person', erased_at = now() where id = '${person?.id}';
     insert into people_changes (id, person_id, what, detail, reason, account_id)
     select gen_random_uuid(), '${person?.id}', 'erased', '{}', 'asked for it', id from accounts where role = 'officer' limit 1;
     insert into sessions (token_hash, account_id, expires_at)
     select sha256('x'), id, now() + interval '1 day' from accounts limit 1`,
  )
  const { erased, replaced } = await restore(elsewhere, bin, HOUSE, file, keysOf(keyElsewhere))
  expect(erased).toBe(1)
  const again = await ask(elsewhere, HOUSE, `select family_name, erased_at from people where id = '${person?.id}'`)
  expect(again.rows).toMatchObject([{ family_name: 'person' }])
  expect((again.rows as { erased_at: unknown }[])[0]?.erased_at).not.toBeNull()
  expect((await ask(elsewhere, HOUSE, 'select 1 from sessions')).rowCount).toBe(0)
  expect(await namesOf(elsewhere)).toContain(replaced)
}, 120_000)

test('a wrong passphrase, a changed byte and a cut file open nothing, and leave what is there', async () => {
  const before = await namesOf(elsewhere)
  const damaged = path.join(folder, 'damaged.backup')
  const bytes = readFileSync(file)
  const flipped = Buffer.from(bytes)
  flipped.writeUInt8(flipped.readUInt8(bytes.length >> 1) ^ 1, bytes.length >> 1)
  for (const [content, passphrase] of [
    [bytes, 'another passphrase'],
    [flipped, PASSPHRASE],
    [bytes.subarray(0, bytes.length - 5_000), PASSPHRASE],
  ] as const) {
    writeFileSync(damaged, content)
    await expect(restore(elsewhere, bin, HOUSE, damaged, keysOf(keyElsewhere, passphrase))).rejects.toThrow(
      'the passphrase is another, or the file was changed or cut',
    )
  }
  writeFileSync(damaged, 'able-gauge backup 2\n{}\n')
  await expect(restore(elsewhere, bin, HOUSE, damaged, keysOf(keyElsewhere))).rejects.toThrow('newer program')
  writeFileSync(damaged, 'something else')
  await expect(restore(elsewhere, bin, HOUSE, damaged, keysOf(keyElsewhere))).rejects.toThrow('is no backup')
  expect(await namesOf(elsewhere)).toEqual(before)
}, 120_000)

test.skipIf(SHORT)(
  'a backup of a newer program is refused, a running one is not replaced',
  async () => {
    const newer = path.join(folder, 'newer.backup')
    await ask(here, HOUSE, `insert into migrations (name, run_on) values ('999_tomorrow', now())`)
    await backUp(here, bin, HOUSE, newer, keysOf(keyHere))
    const before = await headsOf(elsewhere)
    await expect(restore(elsewhere, bin, HOUSE, newer, keysOf(keyElsewhere))).rejects.toThrow(
      'could not be brought up to date',
    )
    expect(await headsOf(elsewhere)).toEqual(before)
    const client = new pg.Client({ connectionString: elsewhere.appUrl(HOUSE) })
    await client.connect()
    await expect(restore(elsewhere, bin, HOUSE, file, keysOf(keyElsewhere))).rejects.toThrow(
      'is running on this database',
    )
    await client.end()
  },
  120_000,
)

test.skipIf(SHORT)(
  'the private key goes along only when it is told to, and then replaces the other, which keeps a name',
  async () => {
    await expect(restore(elsewhere, bin, HOUSE, file, { ...keysOf(keyElsewhere), withKey: true })).rejects.toThrow(
      'holds no private key',
    )
    const before = readFileSync(keyElsewhere?.() ?? '', 'utf8')
    const withKey = path.join(folder, 'with-key.backup')
    await ask(here, HOUSE, `delete from migrations where name = '999_tomorrow'`)
    await backUp(here, bin, HOUSE, withKey, { ...keysOf(keyHere), withKey: true })
    await restore(elsewhere, bin, HOUSE, withKey, { ...keysOf(keyElsewhere), withKey: true })
    expect(readFileSync(keyElsewhere?.() ?? '', 'utf8')).toBe(readFileSync(keyHere?.() ?? '', 'utf8'))
    const aside = readdirSync(folder).filter((name) => name.startsWith('elsewhere.pem.'))
    expect(aside.map((name) => readFileSync(path.join(folder, name), 'utf8'))).toEqual([before])
    // days of this house are its own then, not those of a former key
    expect((await ask(elsewhere, HOUSE, 'select 1 from trusted_keys')).rowCount).toBe(0)
  },
  120_000,
)
