### The steps of a cut, as a practitioner would tell a colleague. Core chooses among these messages and gives their values.

step-title-perimeter = Perimeter
step-title-sections = Layers
step-title-gathered = Twist cutting
step-title-weight = Weight removal
step-title-recoil = Long tails
step-title-look = Let it fall and look
step-title-product = Product
step-title-dry = Dry
step-title-named = { $name }

step-to = { $first } to { $second }

## Sections

step-region-everything = all the hair
step-region-nothing = nothing
step-region-edge = the hair within { $length } of the hairline
step-region-side = the { $with } side of { $parting }
step-region-not = without { $region }
step-half-left = the left half
step-half-right = the right half
step-zone-fringe = the fringe
step-zone-top = the top
step-zone-crown = the crown
step-zone-left_side = the left side
step-zone-right_side = the right side
step-zone-back_upper = the upper back
step-zone-back_lower = the lower back
step-zone-nape = the nape
step-side-ear-to-ear-first = in front of the ear-to-ear parting
step-side-ear-to-ear-second = behind the ear-to-ear parting
step-side-ridge-first = above the parietal ridge
step-side-ridge-second = below the parietal ridge
step-side-occipital-first = above the occipital bone
step-side-occipital-second = below the occipital bone
step-parting = the parting from { $points }
step-parting-own = the client's own parting
step-parting-zigzag = { $parting }, in a zigzag
step-off-behind = { $length } behind the { $landmark }
step-off-before = { $length } in front of the { $landmark }
step-off-above = { $length } above the { $landmark }
step-off-below = { $length } below the { $landmark }
step-off-left = { $length } left of the { $landmark }
step-off-right = { $length } right of the { $landmark }

## Subsections

step-subsections = { $along } subsections of { $thickness }, starting at the { $from }.
step-subsections-every = { $along } subsections of { $thickness }, starting at the { $from }; one in { $every } is cut.
step-subsections-pieces = { $along } subsections of { $thickness } in pieces of { $piece }, starting at the { $from }.
step-along-horizontal = Horizontal
step-along-vertical = Vertical
step-along-profile = Profile
step-along-crosswise = Ear-to-ear
step-along-diagonal-forward = Diagonal forward ({ $slope })
step-along-diagonal-back = Diagonal back ({ $slope })
step-along-pivot = Radial (round the { $round })

## Hold, guide, length

step-hold = Elevation { $elevation } to the head, { $direction }; { $guide }; { $fingers }.
step-over-base = on base
step-over-previous = over-directed to the previous subsection
step-over-centre = over-directed to the centre
step-over-landmark = over-directed to the { $landmark }
step-over-plane = over-directed to the plane through { $first }, { $second } and { $third }
step-over-toward = over-directed { $direction }
step-over-share = { $share } of the distance
step-tilt-forward = head bent forward { $tilt }
step-tilt-back = head bent back { $tilt }
step-tilt-left = head tilted { $tilt } to the left
step-tilt-right = head tilted { $tilt } to the right
direction-forward = straight forward
direction-back = straight back
direction-up = straight up
direction-down = straight down
direction-left = to the left
direction-right = to the right
direction-out = straight out from the head
step-guide-travelling = travelling guide
step-guide-drifting = travelling guide, { $length } longer each time
step-guide-stationary = stationary guide
step-guide-floating = floating guide, { $length } longer each time
step-guide-free = freehand, each subsection measured on itself
step-fingers-along = fingers parallel to the head
step-fingers-straight = fingers straight
step-fingers-level = fingers horizontal
step-fingers-vertical = fingers vertical
step-fingers-square = fingers square to the hair
step-fingers-convex = convex by { $bow }
step-fingers-concave = concave by { $bow }
step-fingers-slanted = at { $slant }, longer towards the { $end }
step-length = { $length }, { $state }.
step-length-held = First length { $length } on the comb
step-length-worn = First length { $length } worn
step-length-kept = Keep the length that is cut there as the guide
step-length-shorter = { $length } off the first subsection
step-length-ends = First length so that it ends at { $place } worn
step-length-like-move = Guide from the hair that step { $move } cut
step-length-like-beside = Guide from the hair next to it
step-drops-below = Leave out what ends below { $place }.
step-drops-above = Leave out what ends above { $place }.

## Places

step-place-at = the { $point }
step-place-left = the left { $point }
step-place-right = the right { $point }
step-place-below = { $length } below the { $point }
step-place-above = { $length } above the { $point }

## Other moves

step-perimeter = Comb down and cut as it hangs, at { $line }; { $state }.
step-line-side = { $place } at the sides
step-line-front = { $place } in front
step-line-worn = measured as it is worn
step-line-tilt = head bent forward { $tilt }
step-twist = Twist each, draw it tight to { $point } and cut it there; { $state }.
step-twist-past = Twist each, draw it tight to { $point } and cut it { $past } beyond; { $state }.
step-drawn = { $length } { $direction }
step-recoil = Draw each down until { $share } of it has sprung back and cut what is left in the hand; { $state }.
step-weight = Weight removal, { $technique }; { $state }.
step-look = Let it fall and look before you go on.
step-product-slip = Work in a product that gives slip.
step-product-hold = Work in a product that gives hold.
step-product-moisture = Work in a product that gives moisture.
step-dry-air = Let it dry in the air.
step-dry-diffuser = Dry it with a still diffuser.
step-dry-flat_wrap = Dry it flat round the head.
step-dry-brush = Dry it over a brush.
step-note = { $note }
step-branch = { $seen }: { $then }.

## Ends

step-technique = Ends: { $technique }.
technique-blunt = blunt
technique-point = point cutting
technique-slide = slide cutting
technique-back_cut = back-cutting
technique-skim = razor skimming
technique-brick = brick cutting
technique-tease = slithering with half-closed blades
technique-twist = twist cutting
technique-thin = thinning shears
technique-notch = notching
step-amount = { $technique }, { $share } of the hair, up to { $depth } from the ends
step-amount-stubs = { $technique }, { $share } of the hair, down to { $depth } from the scalp
step-amount-under = { $technique }, more underneath than on top
step-amount-deeper = { $technique }, deeper underneath than on top
step-pattern-all = In every subsection.
step-pattern-all-last = In every subsection but the last, which stays solid.
step-pattern-every = In one subsection of { $every }; the others stay solid.
step-pattern-every-last = In one subsection of { $every }; the others and the last stay solid.
step-pattern-within = In each, only { $region }.

step-stance-left = Stand on the client's left.
step-stance-right = Stand on the client's right.
step-banked = Weight is left on purpose until step { $move }.
step-mirrored = Repeat on the other side.
section-everything = all the hair
section-fringe_triangle = fringe triangle
section-top = top
section-horseshoe = horseshoe
section-diamond = diamond on top
section-sides = sides
section-panels = panels beside the face
section-crown = crown
section-halo = halo along the hairline
section-back_above = back, above the occipital bone
section-back_below = back, below the occipital bone
section-nape = nape
