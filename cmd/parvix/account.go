package main

import (
	"bufio"
	"fmt"
	"os"
	"strings"

	"parvix/server/domain"
)

type accountCommand struct {
	Add addAccount `cmd:"" help:"Make a teacher's account; the password is read from standard input."`
}

type addAccount struct {
	storage
	Name string `arg:"" help:"The name to sign in with."`
}

// Run makes the account.
func (c *addAccount) Run() error {
	fmt.Fprint(os.Stderr, "Password: ")
	line, err := bufio.NewReader(os.Stdin).ReadString('\n')
	if err != nil && line == "" {
		return fmt.Errorf("no password was given")
	}
	hash, err := domain.HashPassword(strings.TrimRight(line, "\r\n"))
	if err != nil {
		return err
	}
	db, stop, err := c.open()
	if err != nil {
		return err
	}
	defer stop()
	if _, err := db.AddTeacher(strings.TrimSpace(c.Name), hash); err != nil {
		return err
	}
	fmt.Printf("%s may sign in now.\n", c.Name)
	return nil
}
