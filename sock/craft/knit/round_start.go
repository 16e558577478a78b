package knit

import (
	"slices"

	"acornstep/sock/figures/verdict"
	"acornstep/sock/rows/needle"
)

// turnRounds has the rounds from the gusset of a flap on begin at the centre of
// the back, or where the strengthening of the heel begins, instead of at the instep. The same
// stitches are worked in the same rounds: each begins with what lies between the new start and
// the instep. The round that picks up ends at the new start.
func (s *Sock) turnRounds(rows []needle.Row) []needle.Row {
	first := slices.IndexFunc(rows, func(r needle.Row) bool { return r.Section == needle.Gusset && r.Kind == needle.Round })
	if s.Design.RoundStart == "instep" || s.Heel.FlapRows == 0 || first < 0 {
		return rows
	}
	instep := s.Heel.Ring - s.Heel.Stitches
	at := instep + s.Heel.CornerStitches + s.Heel.PickedUp[1] // made before the heel's own stitches
	if s.Design.RoundStart == "centre_back" {
		at += s.Heel.TurnStitches / 2
	}
	turned := slices.Clone(rows)
	for i := first; i < len(turned); i++ {
		row := &turned[i]
		head, tail, made, whole := cut(row.Ops, at, i == first)
		if !whole {
			s.Checks.Say(verdict.OnHeel, verdict.Caution, "round_start",
				"The round begins at the instep: in this sock stitches are worked together across the place where it was to begin.")
			return rows
		}
		left := row.Stitches - made // between the new start and the instep, when the row is done
		switch {
		case i == first:
			// The row that picks up runs on to the new start.
			row.Kind, row.Ops = needle.FlatRow, head
			left = 0
		default:
			row.Ops = append(tail, head...)
			if i == first+1 {
				row.Ops = append(needle.Ops{{Code: needle.Start, N: 1}}, row.Ops...)
				break // before it the round still begins at the instep
			}
			begins := rows[i-1].Stitches - at
			row.Markers = []needle.Marker{{Loop: begins, Name: needle.InstepMarker},
				{Loop: begins + rows[i].SoleBegins(rows[i-1].Stitches), Name: needle.SoleMarker}}
		}
		if row.Stitches > 0 {
			row.From = left
		}
		at = made
	}
	return turned
}

// cut parts the operations of a round where so many loops are taken, or, in the round that picks up, where so
// many are made. Whole is false when an operation takes loops from both sides.
func cut(ops needle.Ops, at int, byMade bool) (head, tail needle.Ops, made int, whole bool) {
	done := 0
	for i, o := range ops {
		each := o.Code.Takes()
		if byMade {
			each = o.Code.Makes()
		}
		switch {
		case done == at:
			return head, append(tail, ops[i:]...), made, true
		case done+each*o.N <= at:
			head = append(head, o)
			done += each * o.N
			made += o.Code.Makes() * o.N
		case (at-done)%each != 0:
			return nil, nil, 0, false
		default:
			n := (at - done) / each
			head = append(head, needle.Op{Code: o.Code, N: n})
			made += o.Code.Makes() * n
			return head, append(append(tail, needle.Op{Code: o.Code, N: o.N - n}), ops[i+1:]...), made, true
		}
	}
	return head, tail, made, done == at
}
