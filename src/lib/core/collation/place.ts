/** Properties that say where an element stands among others, and not how it looks. */
const PLACE =
	/^(position|inset(-.+)?|top|right|bottom|left|z-index|float|clear|order|grid-(row|column|area)(-start|-end)?|transform(-origin)?|translate|rotate|scale|offset(-.+)?|margin(-.+)?|(align|justify|place)-self|position-(anchor|area|try.*)|anchor-name)$/;

/** Whether a property is about an element's place: a copied look leaves it out. */
export const isPlace = (property: string): boolean => PLACE.test(property);
