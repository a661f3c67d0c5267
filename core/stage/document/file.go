package document

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/problem"
)

// Decode reads a document whole or refuses it whole, with the line, what is wrong and what would be right.
func Decode(data []byte) (*Document, error) {
	d, _, err := DecodeFile(data)
	return d, err
}

// DecodeFile reads a file as Decode does, and tells in sentences what of an older version was mended without a loss.
func DecodeFile(data []byte) (d *Document, mended []string, err error) {
	if len(data) > MaxBytes {
		return nil, nil, problem.New("limit", 0, 0, fmt.Sprintf("%d bytes", len(data)), fmt.Sprintf("%d bytes", MaxBytes))
	}
	data = bytes.TrimPrefix(data, []byte("\ufeff"))
	file, err := readFile(data)
	if err != nil {
		return nil, nil, err
	}
	version, err := file.version()
	if err != nil {
		return nil, nil, err
	}
	if version == Version {
		if p := file.conform(reflect.TypeFor[Document](), ""); p != nil {
			return nil, nil, p
		}
	}
	d = &Document{}
	if mended, err = d.read(data, version); err != nil {
		return nil, nil, undecodable(err)
	}
	if err = d.Check(); err == nil && strings.TrimSpace(d.Title) == "" {
		err = problem.New("document-field", 0, 0, "title", "a title is needed").In("", "title")
	}
	if p, is := problem.Of(err); is && version == Version {
		p.Line = file.lineOf(p.Object, p.Field)
	}
	return d, mended, err
}

// UnmarshalJSON reads a document of this version or an older one.
func (d *Document) UnmarshalJSON(data []byte) error {
	var head struct {
		Version int `json:"version"`
	}
	if err := json.Unmarshal(data, &head); err != nil {
		return err
	}
	_, err := d.read(data, head.Version)
	return err
}

// plain is a document without its own way of being read.
type plain Document

func (d *Document) read(data []byte, version int) (mended []string, err error) {
	if version == 1 || version == 2 {
		if data, mended, err = upgrade(data, version); err != nil {
			return nil, err
		}
	}
	return mended, strictly(data, (*plain)(d))
}

// undecodable says what of a document could not be read; its line is not known.
func undecodable(err error) error {
	if p, is := problem.Of(err); is {
		return p
	}
	var kind *json.UnmarshalTypeError
	if errors.As(err, &kind) {
		return problem.New("document-json", 0, 0, fmt.Sprintf("%s: %s is needed, not a %s", kind.Field, needed(kind.Type), kind.Value))
	}
	return problem.New("document-json", 0, 0, err.Error())
}

// Encode writes a document as it stands in a file.
func Encode(d *Document) []byte {
	data, err := json.MarshalIndent(d, "", "  ")
	if err != nil {
		panic("document: " + err.Error())
	}
	return append(data, '\n')
}

// isText tells whether bytes are text at all; a picture under another name is none.
func isText(data []byte) bool {
	return utf8.Valid(data) && bytes.IndexByte(data, 0) < 0
}
