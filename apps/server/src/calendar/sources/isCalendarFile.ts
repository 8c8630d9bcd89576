/** Whether a file says that it is one of events (RFC 5545, 3.4). */
export const isCalendarFile = (text: string): boolean => /^\ufeff?\s*BEGIN:VCALENDAR/i.test(text);
