/** With very many tiles only those near the screen are in the page; the others are room of the right height. */
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, ref, type ComputedRef, type Ref } from 'vue'

/** Height of a tile with the gap under it, in px; the tiles' style keeps it. */
const TILE_ROW_PX = 113
/** Fewer are simply all there. */
const WINDOWED_FROM = 60
const ROWS_AROUND = 2

export interface TileWindow {
  readonly from: number
  readonly to: number
  /** Room above and below, in px. */
  readonly abovePx: number
  readonly belowPx: number
}

/**
 * @param container of the tiles
 * @param count of tiles
 * @param leastWidthPx of one tile; as many as fit stand in a row
 */
export const useTileWindow = (
  container: Ref<HTMLElement | null>,
  count: () => number,
  leastWidthPx: number,
  gapPx: number,
): ComputedRef<TileWindow> => {
  const { width } = useElementSize(container)
  const seen = ref({ topPx: 0, heightPx: 800 })
  const look = (): void => {
    const topPx = -(container.value?.getBoundingClientRect().top ?? 0)
    // a row at a time is enough: scrolling by less changes nothing
    const rounded = Math.floor(topPx / TILE_ROW_PX) * TILE_ROW_PX
    if (rounded !== seen.value.topPx || window.innerHeight !== seen.value.heightPx) {
      seen.value = { topPx: rounded, heightPx: window.innerHeight }
    }
  }
  // whichever of the page's parts scrolls
  useEventListener(window, 'scroll', look, { capture: true, passive: true })
  useEventListener(window, 'resize', look)

  return computed(() => {
    const total = count()
    if (total < WINDOWED_FROM) return { from: 0, to: total, abovePx: 0, belowPx: 0 }
    const columns = Math.max(1, Math.floor((width.value + gapPx) / (leastWidthPx + gapPx)))
    const rows = Math.ceil(total / columns)
    const { topPx, heightPx } = seen.value
    const first = Math.min(Math.max(0, Math.floor(topPx / TILE_ROW_PX) - ROWS_AROUND), rows)
    const last = Math.min(rows, Math.ceil((topPx + heightPx) / TILE_ROW_PX) + ROWS_AROUND)
    return {
      from: first * columns,
      to: Math.min(total, last * columns),
      abovePx: first * TILE_ROW_PX,
      belowPx: (rows - last) * TILE_ROW_PX,
    }
  })
}
