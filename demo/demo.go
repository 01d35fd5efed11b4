// Package demo is the made-up shop that Mala is shown with: Lantern Row Bead
// Room, in the app's own open files. Package shop beside it fills a store with them.
package demo

import (
	"embed"
	"fmt"
	"io/fs"
	"slices"

	"mala/format"
)

//go:embed catalogue.json kits.json pieces/*.json
var files embed.FS

// order is the order the pieces are put in, so that the first one named ends at
// the top of the list.
var order = []string{
	"beachcomber.json", "harbourmaster.json", "anchor-light.json", "long-mooring.json", "cinder-walk.json", "moored-twice.json", "first-tide.json", "tide-table.json", "gulls-breakfast.json", "lamplighters-round.json", "lamplighter.json", "lamp-word.json",
	"crossed-lines.json", "fringe-of-foam.json", "halyard-loops.json", "mooring-coil.json", "dawn-bar.json", "twin-halyards.json", "cleat-hitch.json", "peacoat-row.json", "boathouse.json", "deckhand-loop.json", "sliding-buoys.json", "wind-paddles.json", "parted-moorings.json", "nine-buoys.json", "three-moorings.json", "net-loft.json", "strait-lamp.json", "capped-light.json", "slipway.json", "two-currents.json", "tidewrack.json", "breakwater.json", "lookout.json", "low-water.json", "boathook.json", "rope-locker.json", "net-mender.json", "crab-pot.json", "flag-down.json", "last-ferry.json", "barnacle-row.json", "bell-buoy.json",
	"quay-lanterns.json", "slack-tide.json", "ferry-bell.json", "harbour-lights.json",
}

// Order names the pieces of the shop in the order that they are put in.
func Order() []string { return slices.Clone(order) }

// Stocked is a material of the shop and how many of it there are.
type Stocked struct {
	format.Material
	OnHand int `json:"onHand"`
}

// Catalogue is what the shop has.
func Catalogue() ([]Stocked, error) {
	data, err := files.ReadFile("catalogue.json")
	if err != nil {
		return nil, err
	}
	var c struct {
		Format    string    `json:"format"`
		Materials []Stocked `json:"materials"`
	}
	if err := format.Unmarshal(data, &c); err != nil {
		return nil, fmt.Errorf("catalogue.json: %w", err)
	}
	docs := make([]format.Material, len(c.Materials))
	for i := range c.Materials {
		docs[i] = c.Materials[i].Material
	}
	listed := format.Listed(docs)
	for i := range docs {
		if _, faults := listed.Make(&docs[i], fmt.Sprintf("materials[%d]", i)); faults != nil {
			return nil, fmt.Errorf("catalogue.json: %w", faults)
		}
	}
	return c.Materials, nil
}

// Piece reads one piece of the shop.
func Piece(name string) (*format.Document, error) {
	data, err := files.ReadFile("pieces/" + name)
	if err != nil {
		return nil, err
	}
	doc, err := format.Read(data)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", name, err)
	}
	return doc, nil
}

// Pieces names the pieces of the shop.
func Pieces() []string {
	found, _ := fs.Glob(files, "pieces/*.json")
	for i := range found {
		found[i] = found[i][len("pieces/"):]
	}
	slices.Sort(found)
	return found
}
