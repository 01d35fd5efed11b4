package format

import (
	"github.com/danielgtaylor/huma/v2"

	"mala/core/material"
	"mala/core/piece"
)

// The lists that the core keeps, as enums of the schemas, so that no one keeps
// them a second time.
type (
	// Shape is the form of a bead.
	Shape string
	// Type is what a finding or a cord is.
	Type string
	// CordType is what a cord is.
	CordType string
	// Finish is a surface a bead is drawn with.
	Finish string
	// Way is how an end is made beyond its fittings.
	Way string
	// Colour is a family of colours.
	Colour string
)

// Schema lists the shapes.
func (Shape) Schema(huma.Registry) *huma.Schema { return oneOf(material.Shapes()) }

// Schema lists the types of findings and of cords.
func (Type) Schema(huma.Registry) *huma.Schema {
	s := oneOf(material.FindingTypes())
	s.Enum = append(s.Enum, oneOf(material.CordTypes()).Enum...)
	return s
}

// Schema lists the types of cords.
func (CordType) Schema(huma.Registry) *huma.Schema { return oneOf(material.CordTypes()) }

// Schema lists the families of colours.
func (Colour) Schema(huma.Registry) *huma.Schema { return oneOf(ColourFamilies()) }

// Schema lists the ways an end is made.
func (Way) Schema(huma.Registry) *huma.Schema { return oneOf(piece.Ways()[1:]) }

// Schema lists the finishes.
func (Finish) Schema(huma.Registry) *huma.Schema { return oneOf(material.Finishes()) }

func oneOf[T ~string](values []T) *huma.Schema {
	s := &huma.Schema{Type: huma.TypeString}
	for _, v := range values {
		s.Enum = append(s.Enum, string(v))
	}
	return s
}
