import { generateX25519Identity, identityToRecipient } from 'age-encryption'

// `npm run backup-key`: a pair of keys for sealed backups. The secret one is printed and kept nowhere.
const identity = await generateX25519Identity()
console.log(`# The secret key: onto paper or a stick, away from this machine. Without it no sealed backup opens.
${identity}

# The public key, for whoever starts the application:
EVENSHOT_BACKUP_FOR=${await identityToRecipient(identity)}`)
