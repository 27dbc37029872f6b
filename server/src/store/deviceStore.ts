/** What each device last said it still holds of a day. */
import { oversees, type Actor, type DeviceAtWork, type DeviceReport } from '@able-gauge/core'
import type { Database } from '../database.ts'

export const writeDeviceReport = async (
  db: Database,
  occasionId: string,
  accountId: string,
  { deviceId, waiting, refused, seenMs, clockMs, batteryPercent }: Omit<DeviceReport, 'by'>,
): Promise<void> => {
  await db.query(
    `insert into device_reports (occasion_id, device_id, account_id, waiting, refused, seen_ms, clock_ms, battery_percent)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (occasion_id, device_id) do update
        set account_id = $3, waiting = $4, refused = $5, seen_ms = $6, clock_ms = $7, battery_percent = $8`,
    [occasionId, deviceId, accountId, waiting, refused, seenMs, clockMs, batteryPercent],
  )
}

interface DeviceRow {
  device_id: string
  display_name: string
  waiting: number
  refused: number
  seen_ms: string
  clock_ms: number | null
  battery_percent: number | null
}
const COLUMNS = 'd.device_id, a.display_name, d.waiting, d.refused, d.seen_ms, d.clock_ms, d.battery_percent'

/** Devices that took part in a day, those that hold something first. */
export const listDeviceReports = async (db: Database, occasionId: string): Promise<DeviceReport[]> => {
  const { rows } = await db.query<DeviceRow>(
    `select ${COLUMNS} from device_reports d join accounts a on a.id = d.account_id
      where d.occasion_id = $1 order by d.waiting + d.refused desc, d.seen_ms desc`,
    [occasionId],
  )
  return rows.map(reportFromRow)
}

/** Devices of open days that were seen since, on the days somebody is on the staff of or oversees. */
export const listDevicesAtWork = async (
  db: Database,
  account: Actor & { readonly id: string },
  sinceMs: number,
): Promise<DeviceAtWork[]> => {
  const { rows } = await db.query<DeviceRow & { occasion_id: string; day: string }>(
    `select ${COLUMNS}, o.id as occasion_id, o.name as day
       from device_reports d join accounts a on a.id = d.account_id join occasions o on o.id = d.occasion_id
       join capture_ledger l on l.occasion_id = o.id
      where d.seen_ms >= $1 and l.closed_at is null
        and (exists (select 1 from occasion_staff f where f.occasion_id = o.id and f.account_id = $2)
             or ($3 and ($4::uuid is null or unit_within(o.unit_id, $4))))
      order by d.seen_ms desc`,
    [sinceMs, account.id, oversees(account), account.unitId ?? null],
  )
  return rows.map((row) => ({ ...reportFromRow(row), occasionId: row.occasion_id, day: row.day }))
}

const reportFromRow = (row: DeviceRow): DeviceReport => ({
  deviceId: row.device_id,
  by: row.display_name,
  waiting: row.waiting,
  refused: row.refused,
  seenMs: Number(row.seen_ms),
  ...(row.clock_ms === null ? {} : { clockMs: row.clock_ms }),
  ...(row.battery_percent === null ? {} : { batteryPercent: row.battery_percent }),
})
