/** An obstacle a person has to remove: told in one paragraph, without a stack. */
export class Obstacle extends Error {}

/** Runs the main function of a script; an obstacle is told in words, anything else with its stack. Both exit with 1. */
export const run = async (main) => {
  try {
    await main()
  } catch (error) {
    console.error(error instanceof Obstacle ? `\n${error.message}\n` : error)
    process.exitCode = 1
  }
}
