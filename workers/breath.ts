const channel = new MessageChannel();
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();
// Under Node an open port would keep a finished process alive.
(channel.port1 as { unref?: () => void }).unref?.();

/** Lets messages in between two pieces of work. By a message of its own: a timer's turn comes only after four ms. */
export const breath = (): Promise<void> =>
  new Promise((resolve) => {
    waiting.push(resolve);
    channel.port2.postMessage(null);
  });
