/** What each device last said it still holds of a day. */
import type { DeviceReport } from '@able-gauge/core'
import type { Database } from '../database.ts'

export const writeDeviceReport = async (
  db: Database,
  occasionId: string,
  accountId: string,
  { deviceId, waiting, refused, seenMs }: Omit<DeviceReport, 'by'>,
): Promise<void> => {
  await db.query(
    `insert into device_reports (occasion_id, device_id, account_id, waiting, refused, seen_ms) values ($1, $2, $3, $4, $5, $6)
     on conflict (occasion_id, device_id) do update set account_id = $3, waiting = $4, refused = $5, seen_ms = $6`,
    [occasionId, deviceId, accountId, waiting, refused, seenMs],
  )
}

/** Devices that took part in a day, those that hold something first. */
export const listDeviceReports = async (db: Database, occasionId: string): Promise<DeviceReport[]> => {
  const { rows } = await db.query<{
    device_id: string
    display_name: string
    waiting: number
    refused: number
    seen_ms: string
  }>(
    `select d.device_id, a.display_name, d.waiting, d.refused, d.seen_ms
       from device_reports d join accounts a on a.id = d.account_id
      where d.occasion_id = $1 order by d.waiting + d.refused desc, d.seen_ms desc`,
    [occasionId],
  )
  return rows.map((row) => ({
    deviceId: row.device_id,
    by: row.display_name,
    waiting: row.waiting,
    refused: row.refused,
    seenMs: Number(row.seen_ms),
  }))
}
