/** Requests about standards. */
import {
  PublicStandardAnswer,
  DraftAnswer,
  PublishedAnswer,
  RevisionAnswer,
  VersionDetailAnswer,
  VersionsAnswer,
  type VersionDetail,
  type VersionSummary,
} from '@able-gauge/core'
import { call, tell } from '../api.ts'

const pathOf = (id: string, version: number): string => `/standards/${encodeURIComponent(id)}/${version}`

export const listVersions = async (): Promise<readonly VersionSummary[]> =>
  (await call('GET', '/standards', VersionsAnswer)).versions

export const readVersion = (id: string, version: number): Promise<VersionDetail> =>
  call('GET', pathOf(id, version), VersionDetailAnswer)

/** For everybody, where the house shows its standards. */
export const readPublicStandard = (id: string, version: number): Promise<PublicStandardAnswer> =>
  call('GET', `/session${pathOf(id, version)}`, PublicStandardAnswer)

export const addDraft = (id: string, version: number, content: unknown): Promise<RevisionAnswer> =>
  call('POST', '/standards', DraftAnswer, { id, version, content })

export const saveDraft = (id: string, version: number, revision: number, content: unknown): Promise<RevisionAnswer> =>
  call('PUT', pathOf(id, version), RevisionAnswer, { revision, content })

export const removeDraft = (id: string, version: number, revision: number): Promise<void> =>
  tell('DELETE', pathOf(id, version), { revision })

export const publishDraft = (id: string, version: number, revision: number): Promise<PublishedAnswer> =>
  call('POST', `${pathOf(id, version)}/publish`, PublishedAnswer, { revision })

export const retireVersion = (id: string, version: number, lastDay: string, reason: string): Promise<void> =>
  tell('POST', `${pathOf(id, version)}/retire`, { lastDay, reason })
