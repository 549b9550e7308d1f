"""The rules and the computation of the job: no interface, no storage, no files.

Axes and units, declared once:

* subject plane: x to the right, y down, counted in units, origin at the unit's `from` landmark;
* sheet: millimetres from the sheet's top-left corner, x right, y down;
* angles: radians, clockwise from 12 o'clock, undirected (0 <= t < pi), unless a name ends in
  `_deg`; lengths on the sheet end in `_mm`;
* arrays of places are (n, 2), columns x and y, in the order of `Study.landmarks`.

Everything here is NumPy and SciPy on frozen records; nothing changes what it is given.
"""
