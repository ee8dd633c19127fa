# What a demanding eye would object to, and what would cure it.

finding-triangle = { $below } across just above the perimeter, only { $above } over the ears.
finding-shelf = { $ends } of all ends lie within two fingers of height, and the outline steps out by { $step } there.
finding-mushroom = { $wide } across up here, and nowhere below the ears more than { $narrow }.
finding-broom_ends = Two fingers above the perimeter there is { $share } of the hair that hangs a hand higher.
finding-see_through_ends = Light comes through the last { $length } of the ends.
finding-hole_at_ear = Beside the ear in { $zone } hangs { $share } of the hair that hangs in front of it and behind.
finding-heavy_corner = In { $zone } hang { $more } more ends than beside it.
finding-cap_line = Over { $gap } of height hardly a hair ends, with { $above } of the ends above it.
finding-choppy_back = { $ends } of the hair ends over two fingers there, and the head turns in by only { $turns } to round that off. The ends of each subsection stand out by { $step }.
finding-sides_differ =
    { $side ->
        [left] The left side is longer or heavier: { $line } of perimeter, { $mass } of weight.
       *[right] The right side is longer or heavier: { $line } of perimeter, { $mass } of weight.
    }
finding-lifted_line = It rises by { $lift } in { $zone }: the head was bent, the hair was lifted, or it springs more there.
finding-front_too_short = { $zone }: to land above the shortest accepted in all but { $risk } of cases, leave { $lacks } more. The forecast is good to { $range }.
finding-fringe_too_wide = Its outermost hair grows { $outside } outside the brows and will be missed at the sides.
finding-tie_not_reached = { $share } of what grows in front and at the sides is too short, by up to { $lacking }.
finding-weight_near_surface = { $share } of the outer hair is cut short from within, and the short ends will show.
finding-weight_too_deep = In { $zone } { $share } of the hair is left at about half its length or less.
finding-guide_drift = Each subsection is { $step } off the one before: over { $count } of them that makes { $drift }.
finding-layers_low_on_fine = { $share } of the hair below the occipital bone is layered, and the ends live there.
finding-tension_high = With the hair { $state }, what the hand pulls more or less moves the landing by { $range }.
finding-moisture_uneven = One pass takes { $minutes } minutes: dry by then, its last subsections land { $apart } from the first.
finding-flat = The hair stands only { $lift } over the head, and lift was wished.
finding-regrowth_stands = In { $zone } { $share } of the hair is short and has no layer to live in.
finding-closes_face = { $share } of the hair hangs beside the face, which should be open.
finding-wish_missed =
    { $how ->
        [shorter] { $zone } ends { $off } shorter than wished.
       *[longer] { $zone } ends { $off } longer than wished.
    }
finding-kept_hair_lost = { $zone } loses { $lost }, { $over } more than was agreed.

cure-step = { $number }
cure-steps =
    { $count ->
        [one] step { $numbers }
       *[other] steps { $numbers }
    }
cure-and = { $first }, and { $second }
cure-length-more = leave { $amount } more in { $steps }
cure-length-less = leave { $amount } less in { $steps }
cure-elevation-more = hold { $steps } { $amount } higher
cure-elevation-less = hold { $steps } { $amount } lower
cure-over_direction-more = over-direct { $steps } { $amount } further
cure-over_direction-less = over-direct { $steps } { $amount } less
cure-finger_angle-more = open the fingers by { $amount } in { $steps }
cure-finger_angle-less = close the fingers by { $amount } in { $steps }
cure-share-more = take from { $amount } more of the hair in { $steps }
cure-share-less = take from { $amount } less of the hair in { $steps }
cure-depth-more = go { $amount } deeper in { $steps }
cure-depth-less = stay { $amount } shallower in { $steps }
cure-thickness-more = take subsections { $amount } thicker in { $steps }
cure-thickness-less = take subsections { $amount } thinner in { $steps }
cure-guide-travelling = let the guide of { $steps } travel, copied exactly
cure-guide-stationary = bring { $steps } to one stationary guide
cure-guide-free = measure each subsection of { $steps } on itself
cure-over-own_base = hold { $steps } on its own base
cure-over-previous = over-direct { $steps } to the previous subsection
cure-over-centre = over-direct { $steps } to the centre
cure-over-back = over-direct { $steps } to the back
cure-over-forward = over-direct { $steps } to the face
cure-technique = cut { $steps } like this: { $technique }
cure-state = cut { $steps } { $state }
cure-order = do { $steps } before the step above it
cure-leave_out = leave { $steps } out
cure-add-slide = slide a little weight out of the lengths at the end
cure-add-slide_more = slide more weight out of the lengths at the end
cure-add-layers = layer all round at 90° at the end
cure-add-one_guide = bring everything to one guide at the apex at the end
cure-add-one_guide_short = bring everything to one shorter guide at the apex at the end
cure-add-slither = slither the heavy part at the end
cure-add-slither_more = slither more out of the heavy part at the end
cure-add-brick = brick cut under the top at the end
cure-add-brick_more = brick cut more under the top at the end
cure-add-top_layers = layer the top at 90° at the end
cure-add-top_layers_short = layer the top shorter at 90° at the end
cure-add-line = cut a blunt line { $amount } above the ends at the end
cure-add-blend = slide the step soft at the end
cure-add-take_in = layer { $zone } at the end, so that the new hair has a layer to live in
cure-longer = keeps { $length } of length on average
cure-shorter = costs { $length } of length on average
cure-even = costs no length
cure-minutes-more = { $minutes } min more
cure-minutes-less = { $minutes } min less

talk-answer-flat-not_seen = Flat: the hair stands { $before } over the head, after the cut { $after }.
talk-answer-flat-gone = Flat: { $before } of lift now, { $after } after this cut.
talk-answer-flat-less = Flat: { $before } of lift now, { $after } after this cut. Better, not there yet.
talk-answer-flat-same = Flat: { $before } of lift now, and { $after } after this cut. It stays flat.
talk-answer-flat-more = Flat: { $before } of lift now, { $after } after this cut. It gets flatter.
talk-answer-heavy-not_seen = Heavy: { $before } g of hair, { $after } g after this cut.
talk-answer-heavy-gone = Heavy: { $before } g of hair now, { $after } g after this cut.
talk-answer-heavy-less = Heavy: { $before } g of hair now, { $after } g after this cut.
talk-answer-heavy-same = Heavy: { $before } g of hair now, { $after } g after this cut. It stays heavy.
talk-answer-heavy-more = Heavy: { $before } g of hair now, { $after } g after this cut.
talk-answer-frizzy-not_seen = Frizzy: no short hair stands alone in what was read. Look at product, drying and the brush.
talk-answer-frizzy-gone = Frizzy: { $before } of a zone is new hair that stands alone now; after this cut it has a layer to live in.
talk-answer-frizzy-less = Frizzy: { $before } of a zone is new hair that stands alone now, { $after } after this cut.
talk-answer-frizzy-same = Frizzy: { $before } of a zone is new hair that stands alone, and this cut changes little of that.
talk-answer-frizzy-more = Frizzy: { $before } of a zone is new hair that stands alone now, { $after } after this cut.
talk-answer-wide_at_the_bottom-not_seen = Wide at the bottom: not in this reading, and not after this cut.
talk-answer-wide_at_the_bottom-gone = Wide at the bottom: { $before } wider below than over the ears now, { $after } after this cut. It is gone.
talk-answer-wide_at_the_bottom-less = Wide at the bottom: { $before } wider below than over the ears now, { $after } after this cut. Better, still wide.
talk-answer-wide_at_the_bottom-same = Wide at the bottom: { $before } wider below than over the ears, and { $after } after this cut. It stays wide.
talk-answer-wide_at_the_bottom-more = Wide at the bottom: { $before } wider below than over the ears now, { $after } after this cut. It gets wider.
talk-answer-thin_ends-not_seen = Thin ends: light comes through the last { $before } now, through { $after } after this cut.
talk-answer-thin_ends-gone = Thin ends: light comes through the last { $before } now, through { $after } after this cut. They are full again.
talk-answer-thin_ends-less = Thin ends: light comes through the last { $before } now, through { $after } after this cut. Better, still thin.
talk-answer-thin_ends-same = Thin ends: light comes through the last { $before } now, and through { $after } after this cut. They stay thin.
talk-answer-thin_ends-more = Thin ends: light comes through the last { $before } now, through { $after } after this cut. They get thinner.
talk-answer-growing_out-not_seen = Growing out: at most { $after } goes beyond a trim.
talk-answer-growing_out-gone = Growing out: nothing goes beyond a trim.
talk-answer-growing_out-less = Growing out: { $after } goes beyond a trim.
talk-answer-growing_out-same = Growing out: { $after } goes beyond a trim.
talk-answer-growing_out-more = Growing out: { $after } goes beyond a trim. That sets it back.
cure-spare = leave { $zone } out of { $steps }
cure-spare_and_wish = leave { $zone } out of { $steps }, and cut it to its wish at the end
cure-wish_instead = cut each zone to its wish instead of { $steps }
plan-finding-triangle = Wide at the bottom
plan-finding-shelf = A shelf at the line
plan-finding-mushroom = A mushroom
plan-finding-broom_ends = Broom ends
plan-finding-see_through_ends = See-through ends
plan-finding-hole_at_ear = A hole at the ear
plan-finding-heavy_corner = A heavy corner
plan-finding-cap_line = A cap line
plan-finding-choppy_back = Choppy over the back
plan-finding-sides_differ = Sides differ
plan-finding-lifted_line = The line lifts
plan-finding-front_too_short = Front too short
plan-finding-fringe_too_wide = Fringe too wide
plan-finding-tie_not_reached = The tie is not reached
plan-finding-weight_near_surface = Weight near the surface
plan-finding-weight_too_deep = Weight too deep
plan-finding-guide_drift = The guide drifts
plan-finding-layers_low_on_fine = Layers low on fine hair
plan-finding-tension_high = Too much tension
plan-finding-moisture_uneven = Uneven moisture
plan-finding-flat = Flat
plan-finding-regrowth_stands = Regrowth stands up
plan-finding-closes_face = Closes the face in
plan-finding-wish_missed = The wish is missed
plan-finding-kept_hair_lost = Hair lost that was kept
