import type { Unit } from '../../quantity/unit.ts'
import type { BodyMeasureId } from './protocol.ts'

export const BODY_UNITS: Readonly<Record<BodyMeasureId, Unit>> = {
  mass: 'g',
  height: 'mm',
  waist: 'mm',
  composition: 'permille',
}
