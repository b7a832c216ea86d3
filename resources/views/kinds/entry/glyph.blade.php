<rect x="4.5" y="3" width="15" height="18" rx="2"/><path d="m8 11.5 2.5 2.5L16 8.5M8 17.5h8"/>
