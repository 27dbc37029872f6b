// The day that is opened is asked for while the application still comes: on a slow network that is half a second.
const day = /^\/days\/([0-9a-f-]{36})(?:\/|$)/.exec(location.pathname)?.[1]
for (const href of day ? [`/api/occasions/${day}`, `/api/occasions/${day}/captures?after=0`] : []) {
  document.head.append(
    Object.assign(document.createElement('link'), { rel: 'preload', as: 'fetch', crossOrigin: '', href }),
  )
}
