export { bringPeopleIn, type PeopleFile } from './bring-people-in.ts';
export * from './card-at-till.ts';
export * from './find-shoppers.ts';
export * from './give-terms.ts';
export * from './join.ts';
export { addShopper, changeShopper, giveCard, takeCards, wipeShopper } from './keep-shopper.ts';
export * from './look-at-shopper.ts';
export * from './people-as-rows.ts';
export * from './take-out.ts';
