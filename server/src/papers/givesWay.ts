/** Told to a thread of the mill that shares its cores with people who wait at a page. */
export const givesWay = 'gives way';
