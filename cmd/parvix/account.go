package main

import (
	"bufio"
	"context"
	"fmt"
	"os"
	"strings"

	"golang.org/x/term"

	"parvix/server/domain"
)

type accountCommand struct {
	Add addAccount `cmd:"" help:"Make a teacher's account; the password is read from standard input."`
}

type addAccount struct {
	storage
	Name string `arg:"" help:"The name to sign in with."`
}

// Run makes the account, beside a service that may be running on the same data.
func (c *addAccount) Run() error {
	ctx := context.Background()
	name, err := domain.CheckName(c.Name)
	if err != nil {
		return err
	}
	password, err := readPassword()
	if err != nil {
		return err
	}
	hash, err := domain.HashPassword(password)
	if err != nil {
		return err
	}
	db, err := c.join(ctx)
	if err != nil {
		return err
	}
	defer db.stop()
	if _, err := db.AddTeacher(ctx, name, hash); err != nil {
		return err
	}
	fmt.Printf("%s may sign in now.\n", name)
	return nil
}

// readPassword reads a line from standard input; on a terminal what is typed is not shown.
func readPassword() (string, error) {
	fmt.Fprint(os.Stderr, "Password: ")
	if terminal := int(os.Stdin.Fd()); term.IsTerminal(terminal) {
		typed, err := term.ReadPassword(terminal)
		fmt.Fprintln(os.Stderr)
		return string(typed), err
	}
	line, err := bufio.NewReader(os.Stdin).ReadString('\n')
	if err != nil && line == "" {
		return "", fmt.Errorf("no password was given")
	}
	return strings.TrimRight(line, "\r\n"), nil
}
