/** Characters of a password. Apart from the requests that check it, as pages say it without what checks them. */
export const PASSWORD_LENGTH = { least: 12, most: 128 };
