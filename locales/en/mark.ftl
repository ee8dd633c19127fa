mark-advised = advised
mark-at = { $n } { $unit } on the comb
mark-comb = Comb
mark-combs =
  { $count ->
      [one] One whole comb, then to the mark.
     *[other] { $count } whole combs, then to the mark.
  }
mark-combsAnd = { $combs } whole combs and { $at }
mark-compare = Compare
mark-csv = Save as CSV
mark-cutSo = { $zone }: cut here
mark-drawn = The comb with the mark
mark-extra = allowance
mark-extraBoth = { $held } ({ $worn } worn)
mark-json = Save as JSON
mark-lands = forecast
mark-line = combed line
mark-lineBelow = { $length } below
mark-lineMeans = Comb the hair down and cut along a line so far below the point it should land at.
mark-moisture = Moisture
mark-needsAim = Where it should end is not set yet.
mark-needsRead = The zone is not read yet.
mark-none = { $zone }: no mark yet
mark-off = hair off
mark-picture-states = Every way to hold it
mark-picture-strand = The strand
mark-pictures = Pictures
mark-print = Print the marks
mark-short-leave = leave
mark-short-missing = –
mark-short-too_short = too short
mark-short-unsure = unsure
mark-toAim = Set it in Aim
mark-toRead = Measure it in Read
mark-verdict-cut = Cut.
mark-verdict-leave = Leave it. With the allowance it needs, the mark lies beyond the ends that are there.
mark-verdict-missing = Not measured or not wished yet.
mark-verdict-too_short = Leave it. The hair does not reach there yet.
mark-verdict-unsure = Too uncertain to say, held like this. Hold it another way or measure more strands.
mark-whyMore = What else went into it
mark-why = Why here
mark-wrong = Something in the reading or the wish can't be as it is. It is marked there.
mark-zones = Zones with their marks

chart-extra = allowance
chart-lands = forecast, with the wish dashed
chart-mark = mark, { $unit }
chart-state = held

strand-fibre = along the hair
strand-hanging = sprung
strand-held = on the comb
strand-label = The strand after the cut, at its four lengths
strand-target = wish { $length }
strand-worn = worn

print-frontStraight = The fringe is meant smoothed.
print-back = ← Back to the mark
print-left = No mark for: { $zones }.
print-line = Wished: { $aim } ({ $target } worn). Forecast { $low } – { $high }, with { $extra } of allowance here.
print-lineWorn = Wished: { $aim }. Forecast { $low } – { $high }, with { $extra } of allowance here.
print-nothing = There is no mark to print yet: measure in Read and set in Aim where the hair should end.
print-print = Print
print-fringe = In the fringe less often.
print-risk = An allowance is left so that it comes out shorter than wished 1 time in { $n }.
print-wished = The hair as it is wished
print-title = Marks on paper
print-worn = Worn lengths are meant { $worn }.
