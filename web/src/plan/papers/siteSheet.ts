/** The site plan on paper. */
import type { DayPlan, SitePlan } from '@able-gauge/core'
import type { Content } from 'pdfmake/interfaces'
import type { Day } from '../../day/day.ts'
import { INK, INK_2, LINE, say, WIDTH } from '../../handout/pdfParts.ts'
import { barOf, drawnMarks, inM, MARK_SIGNS } from '../siteShapes.ts'
import { table } from './paperParts.ts'

const SITE_HEIGHT = 420
const SIGN = 7

type Point = readonly [x: number, y: number]

const turned = ([x, y]: Point, degrees: number): Point => {
  const angle = (degrees * Math.PI) / 180
  return [x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)]
}
const BEND_POINTS = 16

/** Round the middle: the corners of an area, or straights and half circles. */
const outline = (along: number, across: number, isLoop: boolean): Point[] => {
  const [x, y] = [along / 2, across / 2]
  if (!isLoop)
    return [
      [-x, -y],
      [x, -y],
      [x, y],
      [-x, y],
    ]
  const bend = (from: number, middle: number): Point[] =>
    Array.from({ length: BEND_POINTS + 1 }, (_, at): Point => {
      const angle = from + (at / BEND_POINTS) * Math.PI
      return [middle + y * Math.cos(angle), y * Math.sin(angle)]
    })
  return [...bend(-Math.PI / 2, x - y), ...bend(Math.PI / 2, y - x)]
}

/** The site to scale, and what its numbers and letters stand for. */
export const siteSheet = (day: Day, plan: DayPlan, site: SitePlan): Content[] => {
  const perM = Math.min(WIDTH / inM(site.widthMm), SITE_HEIGHT / inM(site.depthMm))
  const marks = drawnMarks(day, plan, site)
  // events by number, everything else by its letter
  const numbers = new Map(marks.filter(({ path }) => path).map(({ mark }, at) => [mark.id, String(at + 1)]))
  const signed = marks.map((one) => ({ ...one, sign: numbers.get(one.mark.id) ?? MARK_SIGNS[one.mark.kind] }))
  const bar = barOf(inM(site.widthMm))
  const [width, height] = [inM(site.widthMm) * perM, inM(site.depthMm) * perM]
  return [
    {
      canvas: [
        { type: 'rect', x: 0, y: 0, w: width, h: height, lineColor: LINE },
        ...site.ways.flatMap(({ from, to }) => {
          const [a, b] = [marks.find(({ mark }) => mark.id === from), marks.find(({ mark }) => mark.id === to)]
          return a && b
            ? [
                {
                  type: 'line' as const,
                  x1: a.x * perM,
                  y1: a.y * perM,
                  x2: b.x * perM,
                  y2: b.y * perM,
                  dash: { length: 3 },
                  lineColor: INK_2,
                },
              ]
            : []
        }),
        ...marks.map(({ x, y, turn, along, across, path, isLoop }) =>
          path
            ? {
                type: 'polyline' as const,
                closePath: true,
                lineColor: INK,
                points: outline(along, across, isLoop).map((point) => {
                  const [dx, dy] = turned(point, turn)
                  return { x: (x + dx) * perM, y: (y + dy) * perM }
                }),
              }
            : {
                type: 'ellipse' as const,
                x: x * perM,
                y: y * perM,
                r1: SIGN,
                r2: SIGN,
                color: '#FFFFFF',
                lineColor: INK,
              },
        ),
        { type: 'line', x1: 0, y1: height + 14, x2: bar * perM, y2: height + 14, lineWidth: 1.5, lineColor: INK },
      ],
    },
    // over the drawing, without taking room of their own
    ...signed.map(({ sign, x, y }) =>
      say(sign, {
        fontSize: 8,
        bold: true,
        relativePosition: { x: x * perM - 2.5 * sign.length, y: y * perM - height - 21 },
      }),
    ),
    say(`The line is ${bar} m.`, { fontSize: 8, margin: [0, 2, 0, 6] }),
    table(
      ['What', 'From the left', 'From the top'],
      signed.map(({ sign, name, x, y }) => [`${sign} ${name}`, `${Math.round(x)} m`, `${Math.round(y)} m`]),
      ['*', 80, 80],
    ),
  ]
}
