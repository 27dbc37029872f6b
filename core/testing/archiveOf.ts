/** A small signed day as an archive. */
import { commitmentTo, separateTexts } from '../src/day/commitment.ts'
import { publicKeyOf, signDayHead } from '../src/day/signature.ts'
import {
  ARCHIVE_FORMAT,
  dayHead,
  identityText,
  sealArchive,
  type ArchivedIdentity,
  type DayArchive,
  type StoredCapture,
} from '../src/format/archive.ts'
import { judgeDay } from '../src/judge/judgeDay.ts'
import { JUDGE_VERSION } from '../src/judge/judgeVersion.ts'
import { storeVerdict, withTokens } from '../src/judge/storedVerdict.ts'
import type { RecordedCapture } from '../src/capture/capture.ts'
import { contentHash } from '../src/standard/contentHash.ts'
import { chainedArchiveOfOne } from './chainedArchiveOf.ts'

/** A key that signs nothing but tests. */
export const TEST_KEY = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60'

/** The day of the first form, as it is signed today: one candidate, who withdrew with a note. */
export const archiveOfOne = (privateKey = TEST_KEY): DayArchive => {
  const {
    links: _links,
    signOff: _signOff,
    verdicts: first,
    format: _format,
    amendments: _none,
    ...day
  } = chainedArchiveOfOne()
  const { texts, payload } = separateTexts('stopped', { reason: 'withdrawn', note: 'felt faint' }, () => 'salt 1')
  const captures: StoredCapture[] = day.captures.map((capture) =>
    capture.kind === 'stopped' ? { ...capture, payload } : capture,
  )
  const { standard, occasion } = day
  const candidates = first.map(({ inputs }) => inputs.candidate)
  const judged = judgeDay(
    { standard, testDate: occasion.testDate },
    candidates,
    captures.map((capture) => withTokens(capture) as RecordedCapture),
  )
  const verdicts = first.map(({ inputs }) => {
    const verdict = judged.get(inputs.candidate.entryId)
    if (!verdict) throw new Error('Nobody was judged.')
    return {
      entryId: inputs.candidate.entryId,
      standardHash: contentHash(standard),
      inputs: { ...inputs, judge: JUDGE_VERSION },
      verdict: storeVerdict(verdict),
    }
  })
  const identities: ArchivedIdentity[] = [
    ...day.accounts.map((who) => ({ of: 'account' as const, id: who.id, who })),
    ...day.people.map((who) => ({ of: 'entry' as const, id: day.entries[0]?.id ?? '', who })),
  ].map(({ of, id, who }) => ({ of, id, salt: `salt ${id}`, commit: commitmentTo(identityText(who), `salt ${id}`) }))
  const parts = { ...day, captures, verdicts, identities }
  const head = dayHead(parts)
  const accountId = day.accounts[0]?.id ?? ''
  const signed = { occasionId: occasion.id, head, accountId, atMs: 9 }
  const signOff = {
    accountId,
    atMs: 9,
    head,
    publicKey: publicKeyOf(privateKey),
    signature: signDayHead(signed, privateKey),
  }
  const archive = sealArchive({ ...parts, format: ARCHIVE_FORMAT, texts, signOff, amendments: [] })
  return JSON.parse(JSON.stringify(archive)) as DayArchive
}
