"""The HTTP interface: thin blueprints that carry documents and show reports; no rule of the job lives here."""
