// A tablet reads Runk over plain http, where a browser hides `randomUUID`.
const source: Partial<Pick<Crypto, 'randomUUID'>> = crypto;

/** A key for something sent once, even if the network makes it arrive twice. */
export const onceKey = () => source.randomUUID?.() ?? `${Date.now()}-${Math.random()}`;
