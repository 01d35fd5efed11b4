package main

import "context"

func manyPieces(ctx context.Context, s *shop) ([]figure, error)    { return nil, nil }
func manyMaterials(ctx context.Context, s *shop) ([]figure, error) { return nil, nil }
