<path d="M4 3v17.5h17"/><path d="M8 17v-4M12.5 17V8M17 17v-6.5"/>
