// A day and hour by the clock on the wall, as one says it: "today, 14:00", "tomorrow, 9:30".

const DAY = 86_400_000;

export function soon(at: string, now: Date): string {
  const then = new Date(at);
  const hour = then.toLocaleTimeString("en-GB", { timeStyle: "short" });
  const days = Math.round((midnight(then) - midnight(now)) / DAY);
  if (days === 0 || days === 1) {
    return `${days === 0 ? "today" : "tomorrow"}, ${hour}`;
  }
  const day = then.toLocaleDateString("en-GB", { dateStyle: "medium" });
  return days < 0 ? `was due ${day}` : `${day}, ${hour}`;
}

function midnight(at: Date): number {
  return new Date(at.getFullYear(), at.getMonth(), at.getDate()).getTime();
}
