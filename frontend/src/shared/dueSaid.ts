// Until when, in words: by the clock today, by the day otherwise.

const DAY = /^\d{4}-\d{2}-\d{2}$/;

export function dueSaid(when: string): string {
  const whole = DAY.test(when);
  const date = new Date(whole ? `${when}T23:59:59` : when);
  const atEnd = whole || (date.getHours() === 23 && date.getMinutes() === 59);
  const day = date.toLocaleDateString("en-GB", { weekday: "long", day: "numeric", month: "long" });
  const clock = date.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  if (date.toDateString() === new Date().toDateString()) {
    return atEnd ? "by tonight" : `by ${clock}`;
  }
  return atEnd ? `by the end of ${day}` : `by ${day}, ${clock}`;
}
