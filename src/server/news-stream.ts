import { BEAT, BEGINNING, EVENT_STREAM, eventText, HEARTBEAT } from './event-stream.ts';
import type { NewsDesk } from './news.ts';

/** What is told at the desk, as it goes over to a browser until that goes away or the server ends. */
export function newsStream(desk: NewsDesk): Response {
  const encoder = new TextEncoder();
  let leave = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string) => controller.enqueue(encoder.encode(text));
      const beat = setInterval(() => say(HEARTBEAT), BEAT);
      beat.unref();
      const left = desk.listen({
        onNews: (news) => say(eventText(news, '')),
        onEnd() {
          leave();
          controller.close();
        },
      });
      leave = () => {
        left();
        clearInterval(beat);
      };
      say(BEGINNING);
    },
    cancel: () => leave(),
  });
  return new Response(body, { headers: EVENT_STREAM });
}
