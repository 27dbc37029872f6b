/** Holds an answer against what its route declares, so that no test can pass while the two differ. */
import type { Response } from 'express'
import { checkAnswer } from '@able-gauge/core'
import type { Route } from './routes/route.ts'

/** From now on the response refuses to send what is not as declared. */
export const checkAnswerOf = (answer: Route['answer'], response: Response): void => {
  const send = response.send.bind(response)
  response.send = (body: unknown) => {
    if (typeof answer !== 'string' && typeof body === 'string' && response.statusCode < 300) {
      const [first] = checkAnswer(answer, JSON.parse(body))
      if (first) {
        throw new Error(`Not as ${answer.name} declares: ${first.place} is ${first.found}, expected ${first.expected}.`)
      }
    }
    return send(body)
  }
}
