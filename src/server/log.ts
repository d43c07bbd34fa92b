import pino from 'pino';

export const log = pino({ level: process.env.BELLTAG_LOG ?? 'info', base: undefined });
