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

func TestAChangedHouseMakesAnotherVersionOfTheSameDocument(t *testing.T) {
	s := open(t)
	p, err := s.CreatePiece(t.Context(), document(t), figures)
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
	next, err := s.MakeVersion(t.Context(), p.ID, store.Printed, "")
	if err != nil || next.Number != old.Number+1 || next.House.Slack != "easy" {
		t.Errorf("after the change: %+v, %v", next, err)
	}
	kept, err := s.Version(t.Context(), p.ID, old.Number)
	if err != nil || kept.House.Slack != "" {
		t.Errorf("the old version follows %+v, %v", kept.House, err)
	}
}

func TestFiguresAreSavedForTheRevisionTheyAreOf(t *testing.T) {
	s := open(t)
	p, err := s.CreatePiece(t.Context(), document(t), figures)
	if err != nil {
		t.Fatal(err)
	}
	other := 7.0
	if err := s.Refigure(t.Context(), p, store.Figures{FinishedMM: &other, Worst: "stop"}); err != nil {
		t.Fatal(err)
	}
	old := p
	if p, _ = s.Piece(t.Context(), p.ID); *p.FinishedMM != 7 || p.Worst != "stop" || p.Revision != old.Revision {
		t.Errorf("refigured %+v", p)
	}
	if _, err := s.SaveDraft(t.Context(), p.ID, p.Revision, with(document(t), "9P"), figures); err != nil {
		t.Fatal(err)
	}
	if err := s.Refigure(t.Context(), old, store.Figures{Worst: "warn"}); err != nil {
		t.Fatal(err)
	}
	if p, _ = s.Piece(t.Context(), p.ID); p.Worst != figures.Worst {
		t.Errorf("figures of an old revision were saved: %+v", p)
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
	if whole := shop.House.Merge(format.DefaultHouse()); len(whole.Sizes) != 0 || len(whole.Ease) == 0 {
		t.Errorf("the shop has %d sizes and %d words of ease", len(whole.Sizes), len(whole.Ease))
	}
}
