import { heavyEndpoint, MOST_PICTURE_BYTES } from '../../../server/index.ts';

/** Keeps a picture: its bytes are the body. */
export const POST = heavyEndpoint('keep-picture', { permission: 'plan', most: MOST_PICTURE_BYTES });
