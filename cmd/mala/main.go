// Command mala is the planning bench of a bead shop's kit designer: it serves
// the page, and does the same work on files from the command line.
package main

import (
	"context"
	"fmt"
	"os"
	"os/signal"
	"syscall"

	"github.com/urfave/cli/v3"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	root := &cli.Command{
		Name:                  "mala",
		Usage:                 "the planning bench of a bead shop's kit designer",
		Flags:                 serveFlags(),
		Commands:              []*cli.Command{demoCommand(), serveCommand(), analyseCommand(), rowsCommand(), solveCommand(), auditCommand(), kitCommand(), verifyCommand(), schemaCommand(), openapiCommand(), backupCommand(), restoreCommand(), doctorCommand(), resetCommand()},
		EnableShellCompletion: true,
		ExitErrHandler:        func(context.Context, *cli.Command, error) {},
	}
	if err := root.Run(ctx, os.Args); err != nil {
		fmt.Fprintln(os.Stderr, err)
		stop()
		os.Exit(exitCode(err))
	}
}

// exitCode is 2 for input that cannot be, 1 for all else.
func exitCode(err error) int {
	if coder, ok := err.(cli.ExitCoder); ok {
		return coder.ExitCode()
	}
	return 1
}
