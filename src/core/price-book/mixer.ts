/** Two numbers of 32 bits, mixed apart: what differs comes to the same ones once in 10^19 pairs. */
export function mixer(): { put(value: number): void; text(): string } {
  let first = 1;
  let second = 3;
  const mix = (value: number): void => {
    first = Math.imul(first ^ value, 0x9e3779b1);
    first ^= first >>> 15;
    second = Math.imul(((second << 7) | (second >>> 25)) ^ value, 0x85ebca6b);
  };
  return {
    put(value) {
      mix(value | 0);
      // What needs more than 32 bits.
      if (value > 0xffffffff) mix(Math.floor(value / 2 ** 32));
    },
    text: () => `${first} ${second}`,
  };
}
