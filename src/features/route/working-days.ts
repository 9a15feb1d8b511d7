import { addBusinessDays, addDays, differenceInBusinessDays, isWeekend, parseISO } from 'date-fns';
import { useToday } from '@/ui/shop-clock';

/** Hours that are worked a day where nobody says otherwise. */
export const USUAL_HOURS = 8;

/** The first day that is worked on, of a day and those after it. */
const workedFrom = (day: Date): Date => (isWeekend(day) ? addBusinessDays(day, 1) : day);
/** Working days from one day to another, both counted; 0 or less where it has passed. */
const workingDays = (from: Date, to: Date): number =>
  differenceInBusinessDays(isWeekend(to) ? addBusinessDays(addDays(to, 1), -1) : to, workedFrom(from)) + 1;
/** The day on which so many working days are done. */
export const doneOn = (from: Date, days: number): Date => addBusinessDays(workedFrom(from), days - 1);

/** Working days from today to a deadline, both counted; undefined where there is none. */
export function useDaysLeft(deadline: string | undefined): number | undefined {
  const today = useToday();
  return deadline && today ? workingDays(parseISO(today), parseISO(deadline)) : undefined;
}
