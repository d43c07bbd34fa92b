/** The values of an answer that comes line by line (NDJSON), each as soon as it is there. */
export async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<unknown> {
  const reader = body
    .pipeThrough(new TextDecoderStream() as never)
    .getReader() as ReadableStreamDefaultReader<string>;
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read();
    const lines = (rest + (value ?? '')).split('\n');
    rest = done ? '' : lines.pop()!;
    for (const line of lines) if (line !== '') yield JSON.parse(line);
    if (done) return;
  }
}
