/**
 * In place of `reflect-metadata` in the browser. The compiler writes down no types of properties here: each nested class is named
 * by its decorator, so whoever asks for such a type is told that there is none.
 */
Object.assign(Reflect, { getMetadata: () => undefined })
