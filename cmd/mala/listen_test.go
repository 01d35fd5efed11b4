package main

import (
	"net"
	"strings"
	"testing"
)

// Only addresses of this machine are listened on, and a taken port is reported.
func TestListen(t *testing.T) {
	taken, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer taken.Close()
	_, port, _ := net.SplitHostPort(taken.Addr().String())
	for address, says := range map[string]string{
		"127.0.0.1:0": "", "localhost:0": "", "127.0.0.2:0": "",
		taken.Addr().String(): "port " + port + " is taken by another program",
		"0.0.0.0:0":           "no accounts yet",
		":0":                  "no accounts yet",
		"192.168.0.7:7420":    "no accounts yet",
		"lantern-row.test:80": "no accounts yet",
		"127.0.0.1":           "is no address to listen on",
		"127.0.0.1:http":      "is no port",
		"127.0.0.1:65536":     "is no port",
		"127.0.0.1:-1":        "is no port",
	} {
		l, err := listen(address)
		if err == nil {
			l.Close()
		}
		if (err == nil) != (says == "") || err != nil && !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v, want %q", address, err, says)
		}
	}
}
