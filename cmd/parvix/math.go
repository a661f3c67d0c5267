package main

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"sort"
	"strings"

	"parvix/core/ask/question"
)

// mathCommand answers one question from its arguments or many from JSON lines.
type mathCommand struct {
	Question string   `arg:"" optional:"" help:"value, simplify, derivative, features, same, sample, transformation, locus, effect, classify, fit, suspect, stats, table, circle, polar, parametric or surface."`
	Args     []string `arg:"" optional:"" help:"The expression (two of them for same), then field=value pairs: with.a=2 by=x from=-6 to=6 …"`
	Batch    string   `help:"A file of JSON lines, '-' for standard input: one question a line, answers in the same order."`
	JSON     bool     `name:"json" help:"Answer in JSON."`
}

// Help is shown by parvix math --help.
func (mathCommand) Help() string {
	return `Examples:
  parvix math value "sin(pi/6)"
  parvix math value "a x^2 + 1" with.a=3 with.x=2
  parvix math simplify "2(x+1)+3"
  parvix math simplify "x^2 + 6x + 5" form=squared
  parvix math derivative "x^2 sin x" by=x --json
  parvix math features "(x^2 - 1)/(x - 1)" --json
  parvix math features "sin x" from=0 to=2pi
  parvix math fit model=linear x=[0,1,2] y=[0,1,5]
  parvix math fit "a/(1 + b x)" model=custom unknowns=[a,b] x=[0,1,2,3] y=[4,2,1.3,1] --json
  parvix math stats values=[2,3,5,7]
  parvix math circle 210°
  parvix math circle 7pi/6 radius=2
  parvix math polar "1 + cos(theta)"
  parvix math parametric "t - sin t" "1 - cos t" from=0 to=2pi step=pi/6 --json
  parvix math surface "x^2 - y^2" 'at={"x": 1, "y": 2}'
  parvix math same "(x + 1)^2" "x^2 + 2x + 1"
  parvix math sample "tan x" from=-6 to=6 bottom=-4 top=4 width=1200 height=800 --json
  echo '{"ask":"value","expr":"cos 60°","id":1}' | parvix math --batch -`
}

// Run answers.
func (c *mathCommand) Run() error {
	if c.Batch != "" {
		return c.batch()
	}
	if c.Question == "" {
		return fmt.Errorf("a question is needed; see parvix math --help")
	}
	line, err := json.Marshal(c.fields())
	if err != nil {
		return err
	}
	answer := question.Answer(line)
	if c.JSON {
		fmt.Println(string(answer))
		return nil
	}
	var fields map[string]any
	if err := json.Unmarshal(answer, &fields); err != nil {
		return err
	}
	if problem, failed := fields["error"].(map[string]any); failed {
		return fmt.Errorf("%v", problem["message"])
	}
	names := make([]string, 0, len(fields))
	for name := range fields {
		names = append(names, name)
	}
	sort.Strings(names)
	for _, name := range names {
		if text := short(fields[name]); text != "" {
			fmt.Printf("%s: %s\n", name, text)
		}
	}
	return nil
}

// short writes a field for reading: a set by its text, a list by its members; nothing where there is nothing.
func short(field any) string {
	switch field := field.(type) {
	case nil:
		return ""
	case map[string]any:
		if text, ok := field["text"].(string); ok {
			return text
		}
		if items, ok := field["items"].([]any); ok {
			return short(items)
		}
	case []any:
		parts := make([]string, 0, len(field))
		for _, item := range field {
			parts = append(parts, short(item))
		}
		return strings.Join(parts, "; ")
	case string:
		return field
	}
	data, err := json.Marshal(field)
	if err != nil {
		return fmt.Sprint(field)
	}
	return string(data)
}

// fields makes a question of the arguments: what is no field=value pair is the expression.
func (c *mathCommand) fields() map[string]any {
	fields := map[string]any{"ask": c.Question}
	with := map[string]any{}
	for _, arg := range c.Args {
		name, value, isPair := strings.Cut(arg, "=")
		var typed any = value
		if json.Valid([]byte(value)) {
			typed = json.RawMessage(value)
		}
		switch {
		case isPair && strings.HasPrefix(name, "with."):
			with[strings.TrimPrefix(name, "with.")] = typed
		case isPair && !strings.ContainsAny(name, "( <>"):
			fields[name] = typed
		case c.Question == "same" && fields["a"] != nil:
			fields["b"] = arg
		case c.Question == "circle":
			fields["angle"] = arg
		case c.Question == "polar":
			fields["r"] = arg
		case c.Question == "parametric" && fields["x"] == nil:
			fields["x"] = arg
		case c.Question == "parametric" && fields["y"] == nil:
			fields["y"] = arg
		case c.Question == "parametric":
			fields["z"] = arg
		case c.Question == "same":
			fields["a"] = arg
		default:
			fields["expr"] = arg
		}
	}
	if len(with) > 0 {
		fields["with"] = with
	}
	return fields
}

func (c *mathCommand) batch() error {
	var in io.Reader = os.Stdin
	if c.Batch != "-" {
		f, err := os.Open(c.Batch)
		if err != nil {
			return err
		}
		defer f.Close()
		in = f
	}
	out := bufio.NewWriter(os.Stdout)
	lines := bufio.NewReader(in)
	for {
		line, err := lines.ReadBytes('\n')
		if line = bytes.TrimSpace(line); len(line) > 0 {
			if _, err := out.Write(append(question.Answer(line), '\n')); err != nil {
				return err
			}
			// An interactive peer waits for each answer.
			if lines.Buffered() == 0 {
				if err := out.Flush(); err != nil {
					return err
				}
			}
		}
		if err == io.EOF {
			return out.Flush()
		}
		if err != nil {
			return err
		}
	}
}
