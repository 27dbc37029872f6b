/**
 * Parts of the application that are not needed yet are fetched once the page stands still, one after the other and until they are there: a field
 * loses its network, and what stops somebody for safety must not wait for one. Over HTTPS the service worker keeps them as well; over plain HTTP this is
 * all there is.
 */
type Loader = () => Promise<unknown>

/** After the page that is wanted, on a slow network. */
const FETCH_AFTER_MS = 3_000
const RETRY_MS = 5_000

/** What may be needed in this room comes before other rooms. */
const waiting = { here: new Set<Loader>(), elsewhere: new Set<Loader>() }
let timer: ReturnType<typeof setTimeout> | undefined

const fetchNext = async (): Promise<void> => {
  timer = undefined
  for (;;) {
    const [from] = [waiting.here, waiting.elsewhere].filter(({ size }) => size > 0)
    const [loader] = from ?? []
    if (!from || !loader) return
    try {
      await loader()
      from.delete(loader)
    } catch {
      // without a network it is tried again, and again when it is opened
      timer ??= setTimeout(() => void fetchNext(), RETRY_MS)
      return
    }
  }
}

/** @param loader may be given more than once; what is there already costs nothing */
export const fetchSoon = (loader: Loader, where: keyof typeof waiting = 'here'): void => {
  // where modules are served one by one, in development and tests, nothing is fetched ahead
  if (!import.meta.env.PROD) return
  waiting[where].add(loader)
  timer ??= setTimeout(() => void fetchNext(), FETCH_AFTER_MS)
}
