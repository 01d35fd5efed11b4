package store

import (
	"context"
	"errors"

	"gorm.io/gorm"

	"mala/core/material"
	"mala/format"
)

// Of a catalogue that is too large to look through, how much of each is within reach: more cords,
// findings and components than a shop has of them, and beads that are near in some way.
const (
	reachFittings = 500
	reachSizes    = 40
	reachWide     = 60
	reachSmall    = 100
	reachAlike    = 100
	mostAlike     = 24 // kinds of beads
	smallBead     = 6  // mm across
)

// reachAcross are the sizes in mm of round beads that pieces begin with.
var reachAcross = []float64{4, 6, 8, 12}

// Count says how many materials the catalogue offers, up to most.
func (s *Store) Count(ctx context.Context, most int) (int, error) {
	var n int64
	db := s.db.WithContext(ctx)
	return int(n), db.Table("(?) AS counted", db.Model(&Material{}).Select("1").Where("NOT retired").Limit(most)).Count(&n).Error
}

// Reach gives what of a large catalogue may be fetched for a piece: cords, findings, components;
// round beads of usual sizes, small ones, and those with wide holes; beads of the shape and colour of
// the piece's own; and what is named by its id.
func (s *Store) Reach(ctx context.Context, like []format.Material, ids []string) ([]Material, error) {
	var out []Material
	seen := map[string]bool{}
	offered := s.db.WithContext(ctx).Where("NOT retired").Session(&gorm.Session{})
	take := func(q *gorm.DB) error {
		var some []Material
		err := q.Find(&some).Error
		for _, m := range some {
			if !seen[m.ID] {
				seen[m.ID], out = true, append(out, m)
			}
		}
		return err
	}
	var err error
	for _, class := range []material.Class{material.ClassCord, material.ClassFinding, material.ClassComponent} {
		err = errors.Join(err, take(offered.Where("class = ?", class).Order(byName).Limit(reachFittings)))
	}
	for _, across := range reachAcross {
		round := offered.Where("class = 'bead' AND document->>'shape' = 'round'").Limit(reachSizes).Session(&gorm.Session{})
		err = errors.Join(err, take(round.Where("across_mm >= ?", across).Order("across_mm, id")), take(round.Where("across_mm < ?", across).Order("across_mm DESC, id")))
	}
	err = errors.Join(err,
		take(offered.Where("class = 'bead' AND across_mm <= ?", smallBead).Order(byName).Limit(reachSmall)),
		take(offered.Where("class = 'bead' AND hole_mm >= 1").Order("hole_mm + across_mm, id").Limit(reachWide)))
	kinds := map[[2]string]bool{}
	for _, m := range like {
		kind := [2]string{string(m.Shape), m.ColourFamily()}
		if m.Class != string(material.ClassBead) || kinds[kind] || len(kinds) == mostAlike {
			continue
		}
		kinds[kind] = true
		err = errors.Join(err, take(offered.Where("class = 'bead' AND document->>'shape' = ? AND colour = ?", m.Shape, kind[1]).Order("across_mm, id").Limit(reachAlike)))
	}
	if len(ids) > 0 {
		err = errors.Join(err, take(s.db.WithContext(ctx).Where("id IN ?", ids)))
	}
	return out, err
}

// OnHand gives what there is of the materials of these ids that the catalogue has.
func (s *Store) OnHand(ctx context.Context, ids []string) (map[string]int, error) {
	var rows []Material
	err := s.db.WithContext(ctx).Select("id", "on_hand").Where("id IN ?", ids).Find(&rows).Error
	out := make(map[string]int, len(rows))
	for i := range rows {
		out[rows[i].ID] = rows[i].OnHand
	}
	return out, err
}
