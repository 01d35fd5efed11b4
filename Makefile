.PHONY: build
build:
	npm run build
