/**
 * The same pure computation, but its last answers are kept by what was asked: while a photo is dragged the whole job
 * is laid out again sixty times a second, and a search of 50 ms must not be made each time.
 */
export function remembered<Q extends unknown[], A>(
  compute: (...question: Q) => A,
  most = 60,
): (...question: Q) => A {
  const answers = new Map<string, A>();
  return (...question) => {
    const key = JSON.stringify(question);
    const known = answers.get(key);
    if (known !== undefined) return known;
    const answer = compute(...question);
    if (answers.size >= most) answers.delete(answers.keys().next().value!);
    answers.set(key, answer);
    return answer;
  };
}

/** The same computation, done when its answer is first wanted, and never again. */
export function once<A>(compute: () => A): () => A {
  let known: { answer: A } | null = null;
  return () => (known ??= { answer: compute() }).answer;
}
