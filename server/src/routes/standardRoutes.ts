/** The library of standards: drafts, publishing, retiring, and what past results have to say. */
import {
  checkStandard,
  DraftAnswer,
  DraftBody,
  type Finding,
  isPublishable,
  NewDraftBody,
  parseStandard,
  PublishedAnswer,
  ResultsAnswer,
  RetiredAnswer,
  RetirementBody,
  RevisionAnswer,
  RevisionBody,
  sayRemark,
  type Standard,
  type VersionDetail,
  VersionDetailAnswer,
  VersionsAnswer,
} from '@able-gauge/core'
import { inTransaction, type Database } from '../database.ts'
import { invalidInput, notFound, Problem } from '../problem.ts'
import { addDraft, changeDraft, findDraft, removeDraft } from '../store/draftStore.ts'
import { addRetirement, addStandard, findPublished, listOtherVersions, listVersions } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { param, type Call, type Route } from './route.ts'

const ONE_VERSION = '/api/standards/:standardId/:version'

export const standardRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/standards',
    what: 'every version: state, dates in force, hash, days judged by it',
    answer: VersionsAnswer,
    action: 'standards.read',
    handle: async ({ server, response }) => {
      response.json({ versions: await listVersions(server.pool) })
    },
  },
  {
    method: 'get',
    path: ONE_VERSION,
    what: 'content, state, and hash or revision',
    answer: VersionDetailAnswer,
    action: 'standards.read',
    handle: async (call) => {
      const { id, version } = versionIn(call)
      const detail = await findVersion(call.server.pool, id, version)
      if (!detail) throw notFound('version of a standard')
      call.response.json(detail)
    },
  },
  {
    method: 'post',
    path: '/api/standards',
    what: 'a draft; 409 when the version exists',
    answer: DraftAnswer,
    action: 'standards.write',
    body: NewDraftBody,
    handle: async ({ server, request, response, account }) => {
      const { id, version, content } = readBody(NewDraftBody, request)
      if (!(await addDraft(server.pool, id, version, named(content, id, version), account.id))) {
        throw new Problem(409, 'standard.exists', `"${id}" has a version ${version} already. Nothing was stored.`, [
          { place: 'version', code: 'exists', found: String(version), expected: 'a version not used before' },
        ])
      }
      response.status(201).json({ id, version, revision: 1 })
    },
  },
  {
    method: 'put',
    path: ONE_VERSION,
    what: 'changes a draft; 409 when somebody else was faster, or it is published',
    answer: RevisionAnswer,
    action: 'standards.write',
    body: DraftBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { id, version } = versionIn(call)
      const { revision, content } = readBody(DraftBody, request)
      const saved = await changeDraft(server.pool, id, version, revision, named(content, id, version), account.id)
      if (saved === null) throw await whyNotDraft(server.pool, id, version)
      response.json({ revision: saved })
    },
  },
  {
    method: 'delete',
    path: ONE_VERSION,
    what: 'takes a draft away',
    answer: 'nothing',
    action: 'standards.write',
    body: RevisionBody,
    handle: async (call) => {
      const { server, request, response } = call
      const { id, version } = versionIn(call)
      const { revision } = readBody(RevisionBody, request)
      if (!(await removeDraft(server.pool, id, version, revision))) throw await whyNotDraft(server.pool, id, version)
      response.status(204).end()
    },
  },
  {
    method: 'post',
    path: `${ONE_VERSION}/publish`,
    what: 'publishes a draft for good; 422 with every error of the check',
    answer: PublishedAnswer,
    action: 'standards.write',
    body: RevisionBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { id, version } = versionIn(call)
      const { revision } = readBody(RevisionBody, request)
      const contentHash = await inTransaction(server.pool, async (db) => {
        const draft = await findDraft(db, id, version)
        if (draft?.revision !== revision) throw await whyNotDraft(db, id, version)
        const standard = publishable(draft.content, await listOtherVersions(db, id, version))
        if (!(await removeDraft(db, id, version, revision))) throw await whyNotDraft(db, id, version)
        return addStandard(db, standard, account.id)
      })
      response.json({ contentHash })
    },
  },
  {
    method: 'post',
    path: `${ONE_VERSION}/retire`,
    what: 'ends a published version, once',
    answer: RetiredAnswer,
    action: 'standards.write',
    body: RetirementBody,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { id, version } = versionIn(call)
      const { lastDay, reason } = readBody(RetirementBody, request)
      const published = await findPublished(server.pool, id, version)
      if (!published) throw notFound('published version')
      if (lastDay < published.standard.inForceFrom) {
        const expected = `a day on or after ${published.standard.inForceFrom}`
        throw invalidInput([{ place: 'lastDay', code: 'dateOrder', found: lastDay, expected }])
      }
      if (!(await addRetirement(server.pool, id, version, lastDay, reason, account.id))) {
        throw new Problem(409, 'standard.retired', 'This version is retired already. Nothing was changed.')
      }
      response.json({ lastDay })
    },
  },
  {
    method: 'get',
    path: `${ONE_VERSION}/results`,
    what: 'what was measured on its signed-off days, without names',
    answer: ResultsAnswer,
    action: 'standards.results',
    cost: 'costly',
    handle: async (call) => {
      const { id, version } = versionIn(call)
      if (!(await findPublished(call.server.pool, id, version))) throw notFound('published version')
      call.response.type('json').send(await call.server.work.run('results', { standardId: id, version }))
    },
  },
]

const versionIn = (call: Call): { id: string; version: number } => {
  const text = param(call, 'version')
  if (!/^[1-9]\d{0,4}$/.test(text)) throw notFound('version of a standard')
  return { id: param(call, 'standardId'), version: Number(text) }
}

/** Id and version are those of the address, whatever the document says. */
const named = (content: object, id: string, version: number): object => ({ ...content, id, version })

const findVersion = async (db: Database, id: string, version: number): Promise<VersionDetail | null> => {
  const published = await findPublished(db, id, version)
  if (published) {
    const { standard, contentHash, publishedAtMs, publishedBy, retired } = published
    const state = retired ? 'retired' : 'published'
    return {
      state,
      content: standard,
      contentHash,
      revision: null,
      publishedAtMs,
      publishedBy,
      editedBy: null,
      retired,
    }
  }
  const draft = await findDraft(db, id, version)
  if (!draft) return null
  const { content, revision, editedBy } = draft
  const nothing = { contentHash: null, publishedAtMs: null, publishedBy: null, retired: null }
  return { state: 'draft', content, revision, editedBy, ...nothing }
}

/** Why a change to a draft did not go through. */
const whyNotDraft = async (db: Database, id: string, version: number): Promise<Problem> => {
  if (await findPublished(db, id, version)) {
    return new Problem(
      409,
      'standard.published',
      'This version is published and never changes. Make a new version to change something.',
    )
  }
  if (!(await findDraft(db, id, version))) return notFound('draft')
  return new Problem(
    409,
    'standard.editedMeanwhile',
    'Somebody else changed this draft meanwhile. Nothing was overwritten: read it again.',
  )
}

/** @throws Problem 422 with every finding that stops publishing */
const publishable = (content: unknown, others: readonly Standard[]): Standard => {
  const parsed = parseStandard(content)
  if (!parsed.ok) throw invalidInput(parsed.findings)
  const remarks = checkStandard(parsed.value, others)
  if (!isPublishable(remarks)) {
    const errors = remarks.filter(({ severity }) => severity === 'error')
    throw invalidInput(
      errors.map((remark): Finding => {
        const { place, code, what, mend } = remark
        return { place, code, found: what, expected: mend || sayRemark(remark) }
      }),
    )
  }
  return parsed.value
}
