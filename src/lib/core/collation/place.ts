/** Properties that decide an element's position among others, rather than its looks. */
const PLACE =
	/^(position|inset(-.+)?|top|right|bottom|left|z-index|float|clear|order|grid-(row|column|area)(-start|-end)?|transform(-origin)?|translate|rotate|scale|offset(-.+)?|margin(-.+)?|(align|justify|place)-self|position-(anchor|area|try.*)|anchor-name)$/;

/** Whether a property is about an element's position: a copied look leaves it out. */
export const isPlace = (property: string): boolean => PLACE.test(property);
