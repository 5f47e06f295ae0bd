"""The open vehicle document, format 2: one definition for file, JSON Schema, OpenAPI and TypeScript.

Everything is in SI; nothing computed is stored. New members are added as optional, so old files stay good.
"""
