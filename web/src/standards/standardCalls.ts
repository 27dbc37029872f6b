/** Requests about standards. */
import type { VersionDetail, VersionSummary } from '@able-gauge/core'
import { call } from '../api.ts'

const pathOf = (id: string, version: number): string => `/standards/${encodeURIComponent(id)}/${version}`

export const listVersions = async (): Promise<readonly VersionSummary[]> =>
  (await call<{ versions: VersionSummary[] }>('GET', '/standards')).versions

export const readVersion = (id: string, version: number): Promise<VersionDetail> => call('GET', pathOf(id, version))

export const addDraft = (id: string, version: number, content: unknown): Promise<{ revision: number }> =>
  call('POST', '/standards', { id, version, content })

export const saveDraft = (
  id: string,
  version: number,
  revision: number,
  content: unknown,
): Promise<{ revision: number }> => call('PUT', pathOf(id, version), { revision, content })

export const removeDraft = (id: string, version: number, revision: number): Promise<void> =>
  call('DELETE', pathOf(id, version), { revision })

export const publishDraft = (id: string, version: number, revision: number): Promise<{ contentHash: string }> =>
  call('POST', `${pathOf(id, version)}/publish`, { revision })

export const retireVersion = (id: string, version: number, lastDay: string, reason: string): Promise<void> =>
  call('POST', `${pathOf(id, version)}/retire`, { lastDay, reason })
