// Command parvix serves Parvix, makes accounts, and answers questions to its core.
package main

import (
	"log/slog"
	"os"

	"github.com/alecthomas/kong"
)

var cli struct {
	Serve   serveCommand   `cmd:"" help:"Serve Parvix with a database that is there already, or a private one."`
	Demo    demoCommand    `cmd:"" help:"Serve Parvix with a private database and the demo data."`
	Account accountCommand `cmd:"" help:"Accounts of teachers."`
	Math    mathCommand    `cmd:"" help:"Ask the core a question: value, simplify, features, transformation …"`
}

func main() {
	slog.SetDefault(slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: slog.LevelWarn})))
	ctx := kong.Parse(&cli, kong.Name("parvix"), kong.Description("Dynamic demonstrations for mathematics lessons."),
		kong.UsageOnError())
	ctx.FatalIfErrorf(ctx.Run())
}
