package store_test

import (
	"errors"
	"testing"

	"mala/format"
	"mala/store"
)

func TestTheHouseMethodIsKeptAndAStaleOneRefused(t *testing.T) {
	s := open(t)
	shop, err := s.House(t.Context())
	if err != nil || shop.Revision != 1 || shop.House.Tail != "" {
		t.Fatalf("a new shop has %+v, %v", shop, err)
	}
	kept, err := s.SaveHouse(t.Context(), 1, format.House{Slack: "easy"})
	if err != nil || kept.Revision != 2 {
		t.Fatalf("kept %+v, %v", kept, err)
	}
	var stale *store.StaleHouse
	if _, err := s.SaveHouse(t.Context(), 1, format.House{Slack: "snug"}); !errors.As(err, &stale) || stale.Current.House.Slack != "easy" {
		t.Errorf("a stale house: %v", err)
	}
}

func TestAChangedHouseMovesTheListButNoOldVersion(t *testing.T) {
	s := open(t)
	p, err := s.CreatePiece(t.Context(), document(t))
	if err != nil {
		t.Fatal(err)
	}
	old, err := s.MakeVersion(t.Context(), p.ID, store.Printed, "")
	if err != nil {
		t.Fatal(err)
	}
	if _, err := s.SaveHouse(t.Context(), 1, format.House{Slack: "easy"}); err != nil {
		t.Fatal(err)
	}
	after, err := s.Piece(t.Context(), p.ID)
	if err != nil {
		t.Fatal(err)
	}
	if by := *after.FinishedMM - *p.FinishedMM; by < 1.999 || by > 2.001 || after.Revision != p.Revision {
		t.Errorf("the list moved by %v at revision %d", by, after.Revision)
	}
	// The same document is another version now: it comes out otherwise.
	next, err := s.MakeVersion(t.Context(), p.ID, store.Printed, "")
	if err != nil || next.Number != old.Number+1 || next.House.Slack != "easy" {
		t.Errorf("after the change: %+v, %v", next, err)
	}
	kept, err := s.Version(t.Context(), p.ID, old.Number)
	if err != nil || kept.House.Slack != "" {
		t.Errorf("the old version follows %+v, %v", kept.House, err)
	}
}

func TestATableThatWasEmptiedStaysEmpty(t *testing.T) {
	s := open(t)
	if _, err := s.SaveHouse(t.Context(), 1, format.House{Sizes: []format.BodySize{}}); err != nil {
		t.Fatal(err)
	}
	shop, err := s.House(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	if whole := shop.House.Over(format.DefaultHouse()); len(whole.Sizes) != 0 || len(whole.Ease) == 0 {
		t.Errorf("the shop has %d sizes and %d words of ease", len(whole.Sizes), len(whole.Ease))
	}
}

func TestAWaivedCheckIsNoFlagInTheList(t *testing.T) {
	s := open(t)
	doc := with(document(t), "30P")
	p, err := s.CreatePiece(t.Context(), doc)
	if err != nil || p.Worst == "" {
		t.Fatalf("a strand far too short is worst %q, %v", p.Worst, err)
	}
	doc.Waived = []format.Waiver{{Code: "length-off", Note: "a sample"}, {Code: "ease-off", Note: "a sample"}}
	p, err = s.SaveDraft(t.Context(), p.ID, p.Revision, doc)
	if err != nil || p.Worst != "" {
		t.Errorf("waived, it is worst %q, %v", p.Worst, err)
	}
}
