/** When people were started on past days of one standard, without saying who. */
import type { PastPeople, PastStart } from '@able-gauge/core'
import type { Database } from '../database.ts'

/** Days further back say less of how the organisation works now. */
const DAYS = 20

const PAST_DAYS = `select o.id from occasions o join sign_offs s on s.occasion_id = o.id
    left join rehearsals r on r.occasion_id = o.id
   where o.standard_id = $1 and r.occasion_id is null
   order by o.test_date desc limit ${DAYS}`

/** Each start of a wave; in events that were not started by waves, each person from their first capture to the last. */
export const listPastStarts = async (db: Database, standardId: string): Promise<PastStart[]> => {
  const { rows } = await db.query<{
    occasion_id: string
    event_id: string
    device_id: string
    at_ms: string
    people: number
    own_ms: string | null
  }>(
    `with days as (${PAST_DAYS}),
     waves as (
       select c.occasion_id, c.event_id, c.device_id, c.at_ms,
              coalesce(jsonb_array_length(c.payload->'entryIds'), 1) as people
         from captures c join days d on d.id = c.occasion_id
        where c.kind = 'waveStarted')
     select occasion_id, event_id, device_id, at_ms, people, null::bigint as own_ms from waves
     union all
     select c.occasion_id, c.event_id, (array_agg(c.device_id order by c.at_ms))[1], min(c.at_ms), 1,
            max(c.at_ms) - min(c.at_ms)
       from captures c join days d on d.id = c.occasion_id
      where c.entry_id is not null and c.kind not in ('cleared', 'decided', 'placed', 'voided')
        and not exists (select 1 from waves w where w.occasion_id = c.occasion_id and w.event_id = c.event_id)
      group by c.occasion_id, c.event_id, c.entry_id`,
    [standardId],
  )
  return rows.map((row) => ({
    occasionId: row.occasion_id,
    eventId: row.event_id,
    deviceId: row.device_id,
    atMs: Number(row.at_ms),
    people: row.people,
    ownMs: row.own_ms === null ? null : Number(row.own_ms),
  }))
}

/** How many were entered on those days, and how many of them were at an event. */
export const countPastPeople = async (db: Database, standardId: string): Promise<PastPeople> => {
  const { rows } = await db.query<{ entered: string; came: string }>(
    `with days as (${PAST_DAYS})
     select count(*) as entered,
            count(*) filter (where exists (select 1 from captures c where c.entry_id = e.id)) as came
       from entries e join days d on d.id = e.occasion_id`,
    [standardId],
  )
  return { entered: Number(rows[0]?.entered ?? 0), came: Number(rows[0]?.came ?? 0) }
}
