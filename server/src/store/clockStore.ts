/** Where agreed time stands on a machine: one anchor for all its processes, as long as it is not switched off. */
import type { Database } from '../database.ts'

export interface ClockAnchor {
  /** Agreed time, ms since 1970, at that reading of the machine's monotonic clock. */
  readonly agreedMs: number
  readonly monotonicMs: number
}

/** The anchor of a machine; `first` becomes it when there is none yet. */
export const takeAnchor = async (db: Database, bootId: string, first: ClockAnchor): Promise<ClockAnchor> => {
  await db.query(
    'insert into server_clocks (boot_id, agreed_ms, monotonic_ms) values ($1, $2, $3) on conflict do nothing',
    [bootId, Math.round(first.agreedMs), Math.round(first.monotonicMs)],
  )
  const { rows } = await db.query<{ agreed_ms: string; monotonic_ms: string }>(
    'select agreed_ms, monotonic_ms from server_clocks where boot_id = $1',
    [bootId],
  )
  return rows[0] ? { agreedMs: Number(rows[0].agreed_ms), monotonicMs: Number(rows[0].monotonic_ms) } : first
}

export const moveAnchor = async (db: Database, bootId: string, to: ClockAnchor): Promise<void> => {
  await db.query('update server_clocks set agreed_ms = $2, monotonic_ms = $3 where boot_id = $1', [
    bootId,
    Math.round(to.agreedMs),
    Math.round(to.monotonicMs),
  ])
}

/** Open days that something was captured on since a moment; rehearsals run by their own time. */
export const listDaysUnderWay = async (db: Database, sinceMs: number): Promise<string[]> => {
  const { rows } = await db.query<{ occasion_id: string }>(
    `select distinct c.occasion_id from captures c
       join capture_ledger l on l.occasion_id = c.occasion_id and l.closed_at is null
      where c.received_ms >= $1 and not exists (select 1 from rehearsals r where r.occasion_id = c.occasion_id)`,
    [sinceMs],
  )
  return rows.map(({ occasion_id }) => occasion_id)
}
