package edit

import (
	"fmt"
	"reflect"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// Fields is an operation as calls have it: one flat record for all, of which each uses some.
type Fields struct {
	At                piece.Place
	From, To, Node, N int
	Text, Field       string
	Closure, Alike    bool
	Material          *material.Material
	Length, Tolerance *length.MM
	Body              *piece.Body
	Hanging           *piece.Hanging
	Sizes             []piece.Size
}

// named is what tells an operation: its name, and of those that share one the field that they set.
type named struct {
	do    Do
	field string
}

// blank holds one of every operation, with nothing filled in.
var blank = func() map[named]Op {
	all := []Op{
		Insert{}, Between{}, Delete{}, Ungroup{}, Copy{}, Count{}, Step{}, Turn{}, Move{}, Shuffle{}, Letter{}, HangDrop{}, HangLoop{}, SetSpacing{}, SetLine{},
		SetDish{}, RemoveDish{}, SetRings{}, SetPin{}, SetCord{}, SetHolder{}, SetPasses{}, SetOneCord{}, SetRiders{}, SetSlack{}, SetCut{},
		SetLacingWay{}, SetLacingPitch{}, SetLacingOverlap{}, SetLacingLie{}, SetLacingTop{},
		SetEndWay{}, SetEndLoop{}, SetEndLeg{}, SetEndBead{}, SetEndTail{}, SetEndTailBeads{}, SetEndGirth{}, SetEndStop{},
		AddFitting{}, SetFitting{}, DropFitting{}, MoveFitting{}, SetLinks{}, SetBetween{}, SetFill{}, Hang{}, Unhang{},
		AddRow{}, RemoveRow{}, MoveRow{}, MirrorRow{}, SwapBeads{}, SetFollow{}, SetPort{}, SetGap{}, SetFold{}, SetTwist{}, AddSection{}, RemoveSection{},
		SetKind{}, SetClosure{}, SetTarget{}, SetBody{}, SetHanging{}, SetSizes{}, SetPinned{}, SetHouse{}, Waive{}, Unwaive{},
	}
	for _, by := range []pattern.Bracket{pattern.InGroup, pattern.InMirror, pattern.InReverse, pattern.InFill, pattern.InFree} {
		all = append(all, Enclose{By: by})
	}
	out := map[named]Op{}
	for _, op := range all {
		out[nameOf(op)] = op
	}
	return out
}()

// nameOf is what tells the operation.
func nameOf(op Op) named {
	if one, is := op.(interface{ field() string }); is {
		return named{op.Do(), one.field()}
	}
	return named{do: op.Do()}
}

// Op is the operation of a name. The error is a *Refused.
func (f Fields) Op(do Do) (Op, error) {
	op := blank[named{do: do}]
	if op == nil {
		op = blank[named{do, f.Field}]
	}
	if op == nil {
		switch do {
		case setEnd:
			return nil, refuse("Ends have no setting called %q.", f.Field)
		case setLacing:
			return nil, refuse("Lacings have no setting called %q.", f.Field)
		}
		return nil, refuse("There is no operation called %q.", string(do))
	}
	from, to := reflect.ValueOf(f), reflect.New(reflect.TypeOf(op)).Elem()
	to.Set(reflect.ValueOf(op))
	each(op, func(field int, name string) {
		to.Field(field).Set(from.FieldByName(name).Convert(to.Field(field).Type()))
	})
	return to.Interface().(Op), nil
}

// FieldsOf gives the operation as calls have it.
func FieldsOf(op Op) Fields {
	out := Fields{Field: nameOf(op).field}
	from, to := reflect.ValueOf(op), reflect.ValueOf(&out).Elem()
	each(op, func(field int, name string) {
		to.FieldByName(name).Set(from.Field(field).Convert(to.FieldByName(name).Type()))
	})
	return out
}

// each goes through the fields of an operation, with the names that they have among Fields: their own,
// or that of their tag.
func each(op Op, do func(field int, name string)) {
	t := reflect.TypeOf(op)
	for i := range t.NumField() {
		name := t.Field(i).Name
		if as := t.Field(i).Tag.Get("op"); as != "" {
			name = as
		}
		if name == "-" {
			continue
		}
		if _, is := fieldNames[name]; !is {
			panic(fmt.Sprintf("edit: %T has a field %s that calls have not", op, name))
		}
		do(i, name)
	}
}

var fieldNames = func() map[string]bool {
	out := map[string]bool{}
	for i, t := 0, reflect.TypeFor[Fields](); i < t.NumField(); i++ {
		out[t.Field(i).Name] = true
	}
	return out
}()
