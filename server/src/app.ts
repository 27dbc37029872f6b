/** Puts the server together. */
import path from 'node:path'
import compression from 'compression'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
import staticGzip from 'express-static-gzip'
import helmet from 'helmet'
import type { Place } from '@able-gauge/core'
import { requireFactor, requireMay, requireSession } from './access/session.ts'
import { checkAnswerOf } from './checkedAnswer.ts'
import { limited, type Limits } from './limits.ts'
import { answerErrors, invalidInput, notFound, Problem } from './problem.ts'
import { ROUTES } from './routes/index.ts'
import type { Server } from './routes/route.ts'
import { sessionRouter } from './routes/sessionRoutes.ts'
import { askingOf, securityNotes, type Asking } from './securityNotes.ts'

/** How instruments send: one JSON object a line. */
const JSON_LINES = 'application/x-ndjson'

const readJsonBody = express.json({ limit: '1mb', type: 'application/json' })
const readLines = express.text({ limit: '1mb', type: JSON_LINES })
/** A whole day is read as it came; a worker makes something of it. */
const readArchiveBody = express.raw({ limit: '64mb', type: 'application/json' })

/** @param webFolder the built application, or null to serve the interface alone */
export const buildApp = (server: Server, webFolder: string | null): Express => {
  const app = express()
  // nothing the interface answers is kept anywhere, so nobody asks whether it changed; files have theirs
  app.set('etag', false)
  app.disable('x-powered-by')
  // what a header says of the address counts only from a proxy that somebody named
  app.set('trust proxy', server.trustedProxy ?? false)
  app.use(helmetFor(server.field !== null))
  app.use('/api', forInterface(server))
  app.use('/api/session', sessionRouter(server))
  const askings = new WeakMap<Request, Asking>()
  const notes = securityNotes(server)
  const limit = limitsOf(server.limits, (request) => askings.get(request)?.session.account.id ?? '')
  for (const { method, path: routePath, action, cost, answer, noted, handle } of ROUTES) {
    app[method](
      routePath,
      async (request, _response, next) => {
        const session = await requireSession(server.quick, request)
        askings.set(request, askingOf(request, session))
        requireFactor(session, action)
        requireMay(session.account, action, placeOf(request))
        next()
      },
      ...(cost ? [limit[cost]] : []),
      async (request, response) => {
        if (server.checksAnswers) checkAnswerOf(answer, response)
        const asking = askings.get(request)
        if (!asking) return
        await handle({ server, request, response, action, ...asking.session })
        if (noted) await notes.done(noted, asking)
      },
    )
  }
  app.use('/api', () => {
    throw notFound('address in this interface')
  })
  const { field } = server
  if (field) {
    app.get('/field/authority.crt', (_request, response) => {
      response.type('application/x-x509-ca-cert').send(field.authorityDer)
    })
  }
  if (webFolder !== null) serveWeb(app, webFolder)
  app.use((error: unknown, request: Request, _response: Response, next: NextFunction) => {
    notes.refused(error, askings.get(request))
    next(error)
  })
  app.use(answerErrors(server.log))
  return app
}

/** What every request to the interface passes first; as few steps as there can be, since a whole field passes here at every tap. */
const forInterface = (server: Server): express.Router => {
  const api = express.Router()
  api.use(
    (request, response, next) => {
      refuseForeignWrites(request)
      refuseOtherForms(request)
      // what the interface answers is about people: no browser and no proxy keeps it
      response.set('Cache-Control', 'no-store')
      if (isPostOfCaptures(request)) next()
      else compressed(request, response, next)
    },
    async (request, response, next) => {
      if (request.path === '/archives') {
        // an archive holds a whole day, so only who may bring one is read to the end
        const session = await requireSession(server.quick, request)
        requireFactor(session, 'archives.readIn')
        requireMay(session.account, 'archives.readIn')
        readArchiveBody(request, response, next)
      } else if (request.is(JSON_LINES)) readLines(request, response, next)
      else readJsonBody(request, response, next)
    },
    refuseDeepBodies,
  )
  return api
}

/** Answered with a few numbers, and asked most often of all. */
const isPostOfCaptures = ({ method, path }: Request): boolean => method === 'POST' && path.endsWith('/captures')

/** A day's captures are ids and moments: a fifth of them once compressed. What is sent as it happens is not held back. */
const compressed = compression({
  filter: (request, response) => !isStream(response) && compression.filter(request, response),
})

const isStream = (response: Response): boolean =>
  String(response.getHeader('Content-Type') ?? '').startsWith('text/event-stream')

/**
 * @param inField a machine whose address is another one tomorrow must not tell browsers to come over HTTPS for a year
 */
const forPages = (inField: boolean) =>
  helmet({
    ...(inField ? { strictTransportSecurity: false } : {}),
    contentSecurityPolicy: {
      useDefaults: true,
      directives: {
        'default-src': ["'self'"],
        'img-src': ["'self'", 'data:'],
        'style-src': ["'self'", "'unsafe-inline'"],
        'font-src': ["'self'"],
        'upgrade-insecure-requests': null,
      },
    },
  })
/** A script or a font is no page: of all these headers it needs that nobody guesses what it is. */
const forFiles = helmet.xContentTypeOptions()
/** Nor is an answer of the interface: whoever opens one as a page is shown a text that can load nothing. On a thin network each header counts. */
const forAnswers = (inField: boolean) =>
  helmet({
    ...(inField ? { strictTransportSecurity: false } : {}),
    contentSecurityPolicy: {
      useDefaults: false,
      directives: { 'default-src': ["'none'"], 'frame-ancestors': ["'none'"] },
    },
    crossOriginOpenerPolicy: false,
    originAgentCluster: false,
    xDnsPrefetchControl: false,
    xDownloadOptions: false,
    xFrameOptions: false,
    xPermittedCrossDomainPolicies: false,
    xXssProtection: false,
  })

const helmetFor = (inField: boolean): express.RequestHandler => {
  const [page, answer] = [forPages(inField), forAnswers(inField)]
  const handlerFor = (path: string): express.RequestHandler => {
    if (path.startsWith('/assets/')) return forFiles
    return path.startsWith('/api/') ? answer : page
  }
  return (request, response, next) => handlerFor(request.path)(request, response, next)
}

/** Where a request is to do something, as its address says. */
const placeOf = ({ params }: Request): Place => {
  const { occasionId, eventId } = params
  return {
    ...(typeof occasionId === 'string' ? { occasionId } : {}),
    ...(typeof eventId === 'string' ? { eventIds: [eventId] } : {}),
  }
}

/** What costs the server much is counted for each account. */
const limitsOf = ({ costly, rehearsals, wrongSignatures }: Limits, keyOf: (request: Request) => string) => ({
  costly: limited({
    windowMinutes: 1,
    most: costly,
    keyOf,
    failuresOnly: false,
    code: 'limit.costly',
    sentence: () => 'This account asked for much within a minute. Wait a little, then ask again.',
  }),
  signature: limited({
    windowMinutes: 15,
    most: wrongSignatures,
    keyOf,
    failuresOnly: true,
    code: 'signOff.tooMany',
    sentence: (minutes) => `Too many wrong passwords. Wait ${minutes} minutes, then sign again.`,
  }),
  rehearsal: limited({
    windowMinutes: 60,
    most: rehearsals,
    keyOf,
    failuresOnly: false,
    code: 'limit.rehearsals',
    sentence: () => 'This account has begun many rehearsals within an hour. Use one of those, or wait.',
  }),
})

/** A page of another site may not write with somebody's session, even where a browser would send the cookie. */
const refuseForeignWrites = (request: Request): void => {
  const origin = request.get('Origin')
  // a page without an origin of its own says "null"
  const foreign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== request.get('Host'))
  if (foreign && request.method !== 'GET' && request.method !== 'HEAD')
    throw new Problem(403, 'access.origin', 'This request comes from another site.')
}

/** Forms of other sites can send text and form fields, but not JSON. */
const refuseOtherForms = (request: Request): void => {
  const hasBody = request.headers['transfer-encoding'] !== undefined || Number(request.get('Content-Length') ?? 0) > 0
  if (hasBody && !request.is('application/json') && !request.is(JSON_LINES)) {
    throw new Problem(415, 'input.form', `Nothing was stored. Expected a body of JSON, sent as application/json.`)
  }
}

/** Deeper than any document of ours; whatever walks a body deeper than this would run out of stack. */
const DEEPEST = 64

const refuseDeepBodies: express.RequestHandler = ({ body }, _response, next) => {
  if (!Buffer.isBuffer(body) && isDeeper(body, DEEPEST)) {
    throw invalidInput([
      { place: 'body', code: 'depth', found: 'deeper nesting', expected: `at most ${DEEPEST} levels` },
    ])
  }
  next()
}

/** Whether values lie within values more often than so many times. */
const isDeeper = (value: unknown, levels: number): boolean =>
  typeof value === 'object' &&
  value !== null &&
  (levels === 0 ? Object.values(value).length > 0 : Object.values(value).some((part) => isDeeper(part, levels - 1)))

const serveWeb = (app: Express, webFolder: string): void => {
  app.use(
    '/assets',
    staticGzip(path.join(webFolder, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
    () => {
      throw notFound('file')
    },
  )
  // the service worker is asked for anew each time, so that a new version is noticed
  app.use(
    express.static(webFolder, { index: false, setHeaders: (response) => response.set('Cache-Control', 'no-cache') }),
  )
  app.get('/{*page}', (_request, response) => {
    // from its folder: a program installed below a hidden one would find no page otherwise
    response.set('Cache-Control', 'no-cache').sendFile('index.html', { root: webFolder })
  })
}
