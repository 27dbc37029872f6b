/** Adds one account: sign-in name, name to show, role; the password comes from the environment. */
import { randomUUID } from 'node:crypto'
import { hashPassword } from './access/password.ts'
import { ROLES, type Role } from './access/role.ts'
import { openPool } from './database.ts'
import { needed } from './environment.ts'
import { addAccount, isKnownName } from './store/accountStore.ts'

const SHORTEST_PASSWORD = 12

const add = async (signInName: string, displayName: string, role: string, password: string): Promise<string> => {
  const known = ROLES.find((one): one is Role => one === role)
  if (!known) return `"${role}" is no role. Expected one of ${ROLES.join(', ')}.`
  if (password.length < SHORTEST_PASSWORD)
    return `The password has ${password.length} characters. Expected ${SHORTEST_PASSWORD} or more.`
  const pool = openPool(needed(process.env, 'ABLE_GAUGE_OWNER_URL'))
  try {
    const name = signInName.toLowerCase()
    if (await isKnownName(pool, name)) return `There is an account "${name}" already. Choose another name.`
    const passwordHash = await hashPassword(password)
    await addAccount(pool, {
      id: randomUUID(),
      signInName: name,
      displayName,
      role: known,
      passwordHash,
      isDemo: false,
    })
    return ''
  } finally {
    await pool.end()
  }
}

const [signInName = '', displayName = '', role = ''] = process.argv.slice(2)
const problem = await add(signInName, displayName, role, needed(process.env, 'ABLE_GAUGE_PASSWORD'))
if (problem === '') console.log(`Added ${signInName}, ${role}.`)
else {
  console.error(problem)
  process.exitCode = 1
}
