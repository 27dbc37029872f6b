/** Runs actions one after the other, so that each sees what the one before it has captured. */
export const oneAfterAnother = (): ((action: () => Promise<unknown>) => Promise<void>) => {
  let last: Promise<unknown> = Promise.resolve()
  return (action) => {
    const turn = last.then(action)
    // a turn that fails is reported to whoever asked for it and holds up nobody
    last = turn.catch(() => undefined)
    return turn.then(() => undefined)
  }
}
