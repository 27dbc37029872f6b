/** How much this device has left, where its browser tells. */
interface Battery {
  /** From 0 to 1. */
  readonly level: number
}
interface TellsBattery {
  readonly getBattery?: () => Promise<Battery>
}

export const batteryOfDevice = async (): Promise<{ batteryPercent?: number }> => {
  const { getBattery } = navigator as TellsBattery
  if (!getBattery) return {}
  const { level } = await getBattery.call(navigator)
  return { batteryPercent: Math.round(level * 100) }
}
